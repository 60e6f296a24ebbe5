import { Download, Upload } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { houseStyleOf, inHouseStyle } from '../../../core/diagram';
import { HouseStyle } from '../../../core/model';
import { ApiError } from '../../shared/api';
import { dropHouseStyle, fetchHouseStyles, keepHouseStyle, type KeptHouseStyle } from '../../shared/house-styles';
import { newId } from '../../shared/ids';
import { Check } from '../Check';
import { useBench, useParts } from '../context';
import { RemoveButton } from '../RemoveButton';
import { Tried } from './Tried';

/** The organisation's looks with their tier and role styles: used here, kept from here, and handed on as files. */
export function HouseStyles() {
  const { store, sync } = useParts();
  const diagram = useBench((state) => state.diagram);
  const [all, setAll] = useState<readonly KeptHouseStyle[] | null>(null);
  const [name, setName] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const trying = sync.guest;
  const told = (error: unknown) => {
    // What is shown is what is kept.
    fetchHouseStyles().then(setAll, () => undefined);
    store
      .getState()
      .notify([error instanceof ApiError ? error.message : 'That house style could not be kept. Try again.']);
  };
  useEffect(() => {
    if (!trying) fetchHouseStyles().then(setAll, () => setAll([]));
  }, [trying]);
  const put = (kept: KeptHouseStyle) =>
    setAll((before) =>
      [
        ...(before ?? [])
          .filter(({ id }) => id !== kept.id)
          .map((one) => (kept.forNew ? { ...one, forNew: false } : one)),
        kept,
      ].sort((a, b) => a.style.name.localeCompare(b.style.name)),
    );
  const keep = (id: string, given: { style: HouseStyle; forNew: boolean }, tie: boolean) =>
    keepHouseStyle(id, given).then((kept) => {
      put(kept);
      if (tie) store.getState().perform([{ kind: 'setHouse', house: { id, revision: kept.revision } }]);
    }, told);
  async function bring(brought: File) {
    let parsed;
    try {
      parsed = HouseStyle.safeParse(JSON.parse(await brought.text()));
    } catch {
      parsed = null;
    }
    if (parsed?.success) void keep(newId(), { style: parsed.data, forNew: false }, false);
    else {
      const where = parsed?.error.issues[0]?.path.join('.');
      store
        .getState()
        .notify([
          `“${brought.name}” is no house style${where ? `: something is wrong at ${where}` : ''}. Nothing was taken.`,
        ]);
    }
  }
  if (trying) return <Frame>Sign in to keep this look with its tiers and roles, and use it in other diagrams.</Frame>;
  const tied = all?.find(({ id }) => id === diagram.house?.id) ?? null;
  const differs = tied !== null && inHouseStyle(diagram, tied.style, null).length > 0;
  return (
    <Frame>
      {all?.map((one) => (
        <div key={one.id} className="grid gap-1 border-b border-hair py-1.5">
          <div className="grid grid-cols-[1fr_auto_auto] items-center gap-1">
            <Tried
              gesture={inHouseStyle(diagram, one.style, { id: one.id, revision: one.revision })}
              chosen={one.id === tied?.id && !differs}
              title="Use it here, and stay tied to it"
            >
              <span className="block px-2 py-1">
                {one.style.name}
                {one.id === tied?.id && (
                  <span className="ml-2 text-sm text-moss">tied{differs ? ', changed here' : ''}</span>
                )}
              </span>
            </Tried>
            <a
              className="plain px-1"
              href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(one.style, null, 2))}`}
              download={`${one.style.name}.json`}
              aria-label={`${one.style.name} as a file`}
              title="As a file"
            >
              <Download size={15} aria-hidden="true" />
            </a>
            <RemoveButton
              label={`Remove the house style ${one.style.name}`}
              title="Remove it; diagrams keep what they have"
              onClick={() =>
                dropHouseStyle(one.id).then(() => setAll((before) => before!.filter(({ id }) => id !== one.id)), told)
              }
            />
          </div>
          <Check
            checked={one.forNew}
            className="text-sm"
            onChange={(checked) => {
              const given = { style: one.style, forNew: checked };
              put({ ...one, ...given });
              void keep(one.id, given, false);
            }}
          >
            For new diagrams
          </Check>
        </div>
      ))}
      {tied && (
        <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
          {differs && (
            <button
              className="plain"
              onClick={() =>
                void keep(tied.id, { style: houseStyleOf(diagram, tied.style.name), forNew: tied.forNew }, true)
              }
            >
              Put the changes made here into “{tied.style.name}”
            </button>
          )}
          <button className="plain" onClick={() => store.getState().perform([{ kind: 'setHouse', house: null }])}>
            Untie
          </button>
        </p>
      )}
      <form
        className="mt-2 flex gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          void keep(newId(), { style: houseStyleOf(diagram, name.trim()), forNew: false }, true);
          setName('');
        }}
      >
        <input
          className="field min-h-8 min-w-0 flex-1 py-0"
          aria-label="Name of a new house style"
          placeholder="Keep this style as …"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button className="button" disabled={name.trim() === ''}>
          Keep
        </button>
      </form>
      <button className="plain mt-1 text-sm" onClick={() => file.current?.click()}>
        <Upload size={14} aria-hidden="true" /> Bring one from a file
      </button>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label="House style file"
        onChange={(event) => {
          const [brought] = event.target.files ?? [];
          if (brought) void bring(brought);
          event.target.value = '';
        }}
      />
    </Frame>
  );
}

const Frame = ({ children }: { children: ReactNode }) => (
  <section aria-label="House styles" className="mt-6">
    <h2 className="label mb-1 font-sans">House styles</h2>
    <div className="text-sm">{children}</div>
  </section>
);
