import { parentageWords, type Parentage, type ParentLink } from '../../../../core/kinds/family-tree';

type Otherwise = NonNullable<Parentage['otherwise']>;

const words = Object.entries(parentageWords) as [Parentage['kind'], string][];
const ofOne = words.filter((word): word is [Otherwise['kind'], string] => word[0] !== 'household');

/** How somebody belongs to a couple, and to one of the two where that is another way. */
export function ParentsOf({
  link: { union, kind, otherwise },
  nameOf,
  change,
}: {
  link: ParentLink;
  nameOf: (id: string) => string;
  change: (change: (link: Parentage) => Parentage) => void;
}) {
  const names = union.partners.map(nameOf).join('; ');
  const other = otherwise && union.partners.includes(otherwise.parent) ? otherwise : null;
  const setOther = (value: string) => {
    const [told, parent] = value.split(' ') as [Otherwise['kind'], string | undefined];
    change((link) => ({
      union: link.union,
      kind: link.kind,
      ...(parent !== undefined && { otherwise: { parent, kind: told } }),
    }));
  };
  return (
    <>
      <label className="grid grid-cols-[6.5rem_1fr] items-center gap-x-2">
        <span className="[overflow-wrap:anywhere]">
          {kind === 'household' ? 'Belongs to' : 'Child of'} {names}
        </span>
        <select
          className="field min-h-7 py-0"
          value={kind}
          onChange={(event) => change((link) => ({ ...link, kind: event.target.value as Parentage['kind'] }))}
        >
          {words.map(([value, told]) => (
            <option key={value} value={value}>
              {told}
            </option>
          ))}
        </select>
      </label>
      {union.partners.length === 2 && kind !== 'household' && (
        <label className="grid grid-cols-[6.5rem_1fr] items-center gap-x-2">
          <span>Of one otherwise</span>
          <select
            className="field min-h-7 py-0"
            value={other ? `${other.kind} ${other.parent}` : ''}
            onChange={(event) => setOther(event.target.value)}
          >
            <option value="">of both alike</option>
            {union.partners.map((parent) => (
              <optgroup key={parent} label={nameOf(parent)}>
                {ofOne
                  .filter(([value]) => value !== kind)
                  .map(([value, told]) => (
                    <option key={value} value={`${value} ${parent}`}>
                      {told} ({nameOf(parent)})
                    </option>
                  ))}
              </optgroup>
            ))}
          </select>
        </label>
      )}
    </>
  );
}
