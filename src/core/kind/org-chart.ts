import { checkOrgChart } from '../check';
import { figureOrgChart, type OrgFigures } from '../figure';
import { diagramFrom } from '../read';
import { tierScene } from '../scene';
import { orgRoles } from '../tiers';
import type { Kind } from './kind';

export const orgChart: Kind<OrgFigures> = {
  id: 'org-chart',
  name: 'Org chart',
  entryNoun: 'people',
  detailColumns: ['Title', 'Place'],
  roles: orgRoles,
  settableRoles: ['assistant', 'vacancy'],
  fits(read) {
    if (read.entries.length === 0) return null;
    if (read.notPlaced.length > 0)
      return `${read.entries.length} of ${read.entries.length + read.notPlaced.length} lines have a place`;
    return read.structure === 'flat' ? 'all on one tier' : 'fits every line';
  },
  make: diagramFrom,
  scene: tierScene,
  check: checkOrgChart,
  figure: figureOrgChart,
};
