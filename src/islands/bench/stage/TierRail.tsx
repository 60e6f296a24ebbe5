import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useStore } from 'zustand';
import type { TierBand } from '../../../core/scene';
import { idsOfTier, roman } from '../../../core/hierarchy';
import { useBench, useParts } from '../context';

/** One band a tier along the edge where tiers begin, and a grip between two that sets the gap. */
export function TierRail() {
  const { view } = useParts();
  const scene = useBench((state) => (state.trial ?? state.drawn).scene);
  const { x, y, k, width, height } = useStore(view);
  const down = scene.direction === 'down';
  /** How long the rail is; before the window is measured, as long as it likes. */
  const length = (down ? height : width) || Infinity;
  const { drawing } = scene;
  const at = (along: number) =>
    down ? y + k * (drawing.y + along * drawing.scale) : x + k * (drawing.x + along * drawing.scale);
  // Where the drawing is small the labels keep apart, each below (or after) the one before.
  const labels: number[] = [];
  let taken = 0;
  for (const band of scene.tiers) {
    labels.push(Math.max(at(band.start), (labels.at(-1) ?? -Infinity) + taken));
    taken = down ? 22 : figureRoom(band);
  }
  return (
    <div
      aria-label="Tiers"
      role="group"
      className={`relative overflow-hidden bg-paper ${down ? 'border-r border-hair' : 'border-b border-hair'}`}
    >
      {scene.tiers.map((band, i) => (
        <Band
          key={band.tier}
          band={band}
          start={labels[i]!}
          end={at(band.end)}
          room={scene.tiers[i + 1] ? labels[i + 1]! - 2 : Infinity}
          length={length}
          down={down}
        />
      ))}
      {gripsOf(scene.tiers, at, length).map(({ band, at: middle }) => (
        <Grip key={band.tier} band={band} at={middle} down={down} scale={k * drawing.scale} />
      ))}
    </div>
  );
}

/** Room that numeral and count of a tier take beside each other, CSS px. */
const figureRoom = ({ tier, count }: TierBand): number =>
  Math.max(42, 10 * roman(tier).length + 8.5 * String(count).length + 16);

/** Mean width of a letter of a tier's name, CSS px; names of longer words than this many letters are broken. */
const nameLetter = 6.4;
const longestWord = 14;

/** Whether a name can stand in a width without being broken within a word. */
const fits = (name: string, width: number): boolean =>
  Math.min(longestWord, Math.max(...name.split(/\s+/).map((word) => word.length))) * nameLetter <= width;

/** A band of which less than this is on the rail cannot be pressed, CSS px. */
const leastBand = 18;
/** Whatever it shows, a band takes at least this much of the rail, CSS px. */
const leastTarget = 24;

/** Room of a grip along the rail, CSS px. */
const gripRoom = 24;

/** Where the gaps between tiers are held: in the middle of each that can be seen on a rail so long, as far as there is room for one grip beside the other. */
function gripsOf(
  tiers: readonly TierBand[],
  at: (along: number) => number,
  length: number,
): { band: TierBand; at: number }[] {
  const grips: { band: TierBand; at: number }[] = [];
  tiers.slice(1).forEach((band, i) => {
    const [end, start] = [at(tiers[i]!.end), at(band.start)];
    const middle = (end + start) / 2;
    const isSeen = middle >= gripRoom / 2 && middle <= length - gripRoom / 2;
    const isFree = isSeen && middle - (grips.at(-1)?.at ?? -Infinity) >= gripRoom;
    if (band.gap !== null && start - end > 5 && isFree) grips.push({ band, at: middle });
  });
  return grips;
}

function Band({
  band,
  start,
  end,
  room,
  length,
  down,
}: {
  band: TierBand;
  start: number;
  end: number;
  room: number;
  length: number;
  down: boolean;
}) {
  const { store } = useParts();
  const scope = useBench((state) => state.scope);
  const step = useBench((state) => state.step);
  const chosen = step === 'style' && scope.kind === 'tier' && scope.tier === band.tier;
  // A low band reaches into the gap behind it as far as its name needs.
  const whole = Math.max(18, end - start, Math.min(down ? 52 : 70, room - start));
  // What of it stands on the rail.
  const from = Math.max(0, start);
  const size = Math.min(length, start + whole) - from;
  const light = () => {
    const { structure } = store.getState();
    store.getState().set({ lit: new Set(idsOfTier(structure, band.tier)) });
  };
  const dim = () => store.getState().set({ lit: new Set() });
  const name = band.name ?? `Tier ${band.tier}`;
  if (size < Math.min(whole, leastBand) || length - from < (down ? leastTarget : figureRoom(band))) return null;
  return (
    <button
      className={`absolute flex gap-1 overflow-hidden text-left hover:bg-mosswash ${down ? 'right-6 left-0 pl-2' : 'top-0 bottom-6 flex-col pt-1 pl-1'} ${chosen ? 'bg-mosswash' : ''} -outline-offset-2`}
      style={down ? { top: from, height: size } : { left: from, width: size }}
      aria-label={`Tier ${band.tier}${band.name ? `, ${band.name}` : ''}, ${band.count} ${band.count === 1 ? 'entry' : 'entries'}: style it`}
      title={name}
      onPointerEnter={light}
      onPointerLeave={dim}
      onFocus={light}
      onBlur={dim}
      onClick={() => store.getState().set({ step: 'style', scope: { kind: 'tier', tier: band.tier } })}
    >
      <span className="min-w-0 flex-1">
        <span className="flex items-baseline justify-between gap-1 pr-1">
          <span className="font-serif text-[17px] leading-tight font-semibold">
            {band.tier === 0 ? '–' : roman(band.tier)}
          </span>
          <span className="text-sm text-muted">{band.count}</span>
        </span>
        {(down ? size > 34 : fits(name, size - 6)) && (
          <span
            className={`block text-[12px] leading-[13px] wrap-anywhere text-muted ${!down || size >= 46 ? 'line-clamp-2' : 'line-clamp-1'}`}
          >
            {name}
          </span>
        )}
      </span>
      <span
        aria-hidden="true"
        className={`shrink-0 border-edge ${down ? 'w-1.5 border-l' : 'h-1.5 border-t'}`}
        style={{ background: band.swatch }}
      />
    </button>
  );
}

function Grip({ band, at, down, scale }: { band: TierBand; at: number; down: boolean; scale: number }) {
  const { store } = useParts();
  const held = useRef<{ from: number; gap: number } | null>(null);
  const gap = band.gap ?? 0;
  const setGap = (value: number) =>
    store
      .getState()
      .perform([{ kind: 'setTier', tier: band.tier, patch: { gap: Math.round(Math.min(600, Math.max(8, value))) } }], {
        merge: `gap:${band.tier}`,
      });
  const pointer = (event: PointerEvent) => (down ? event.clientY : event.clientX);
  const key = (event: KeyboardEvent) => {
    const forth = event.key === 'ArrowDown' || event.key === 'ArrowRight';
    const back = event.key === 'ArrowUp' || event.key === 'ArrowLeft';
    if (!forth && !back) return;
    event.preventDefault();
    setGap(gap + (forth ? 4 : -4));
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={`Gap above tier ${band.tier}`}
      aria-valuenow={Math.round(gap)}
      aria-valuemin={8}
      aria-valuemax={600}
      aria-orientation={down ? 'vertical' : 'horizontal'}
      title={`Gap above tier ${band.tier}: ${Math.round(gap)} px`}
      className={`absolute z-10 grid place-items-center ${down ? 'right-0 cursor-row-resize' : 'bottom-0 cursor-col-resize'} h-6 w-6 touch-none`}
      style={down ? { top: at - gripRoom / 2 } : { left: at - gripRoom / 2 }}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { from: pointer(event), gap };
      }}
      onPointerMove={(event) => held.current && setGap(held.current.gap + (pointer(event) - held.current.from) / scale)}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
    >
      <span className={`block border-edge ${down ? 'h-1 w-4 border-y' : 'h-4 w-1 border-x'}`} />
    </div>
  );
}
