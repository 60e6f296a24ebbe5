import type { KindId } from '../model';
import type { Kind } from './kind';
import { orgChart } from './org-chart';
import { venn } from './venn';

/** Every KindId has its kind: the record fails to compile when one is missing. */
const byId: { readonly [K in KindId]: Kind<K> } = { 'org-chart': orgChart, venn };

// A caller that holds any Diagram calls the kind of that very Diagram, which the type of a record cannot say.
export const kinds = Object.values(byId) as unknown as readonly Kind[];

export const kindOf = (id: KindId): Kind => byId[id] as unknown as Kind;
