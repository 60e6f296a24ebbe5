import { own } from '../../../model';
import type { Reading } from '../../../read';
import type { Parentage, Person, Union } from '../model';

/** What is read of a family: persons as entries, and what belongs to them by their ids. */
export interface FamilyReading extends Reading {
  readonly people: Readonly<Record<string, Person>>;
  readonly unions: readonly Union[];
  readonly parentage: Readonly<Record<string, readonly Parentage[]>>;
  readonly rest: string;
}

/** Puts a family together while it is read: partnerships by their partners, children once a partnership. */
export class FamilyMaker {
  readonly people: Record<string, Person> = {};
  readonly unions: Union[] = [];
  readonly parentage: Record<string, Parentage[]> = {};
  private readonly byPartners = new Map<string, Union>();

  /** The partnership of one or two persons, made where there is none yet. */
  union(partners: readonly string[], patch: Partial<Union> = {}): Union {
    const key = [...partners].sort().join(' ');
    const known = this.byPartners.get(key);
    if (known) {
      // What a further line says of the same two is taken where nothing was said.
      const told: Union = {
        ...known,
        from: known.from || (patch.from ?? ''),
        kind: known.kind === 'unknown' ? (patch.kind ?? 'unknown') : known.kind,
      };
      this.unions[this.unions.indexOf(known)] = told;
      this.byPartners.set(key, told);
      return told;
    }
    const id = patch.id ?? `u${this.unions.length + 1}`;
    const union: Union = { kind: 'unknown', from: '', to: '', extra: '', ...patch, id, partners: [...partners] };
    this.unions.push(union);
    this.byPartners.set(key, union);
    return union;
  }

  /** Whether it is told so now: not of the partners themselves, nor of more partnerships than a child may belong to, nor twice. */
  child(id: string, union: Union, kind: Parentage['kind'] = 'birth', otherwise?: Parentage['otherwise']): boolean {
    if (union.partners.includes(id)) return false;
    const links = own(this.parentage, id) ?? [];
    this.parentage[id] = links;
    if (links.length >= 8 || links.some((one) => one.union === union.id)) return false;
    links.push({ union: union.id, kind, ...(otherwise && { otherwise }) });
    return true;
  }
}
