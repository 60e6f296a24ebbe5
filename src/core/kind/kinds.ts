import type { KindId } from '../model';
import { orgChart } from './org-chart';

export const kinds = [orgChart] as const;

/** Every KindId has its kind: the record below fails to compile when one is missing. */
const byId: { readonly [K in KindId]: (typeof kinds)[number] } = { 'org-chart': orgChart };

export const kindOf = (id: KindId): (typeof kinds)[number] => byId[id];
