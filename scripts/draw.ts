import { readFile, writeFile } from 'node:fs/promises';
import { basename, dirname, extname } from 'node:path';
import { parseArgs } from 'node:util';
import {
  applyGesture,
  check,
  draw,
  drawSet,
  kinds,
  leastStrength,
  makeDiagram,
  readAs,
  readInAllKinds,
  tokensOf,
  type AnyKind,
  type Command,
  type Diagram,
} from '../src/core/diagram';
import { finding, Sheet } from '../src/core/model';
import { decodeList, type Decoded } from '../src/core/read';
import { looks } from '../src/core/style';
import { isTilePaper, tilePapers, type SheetSet, type TilePaper } from '../src/core/scene';
import { formats, isFormat } from '../src/export/formats';
import { withPictures } from './draw-pictures';
import { reportOf, type Told } from './draw-report';

/** Ways to draw by their names, each with the words that any kind knows for it. */
const options = [...new Set(kinds.flatMap(({ options: own }) => own.map(({ name }) => name)))].map((name) => ({
  name,
  choices: [
    ...new Set(
      kinds.flatMap(({ options: own }) =>
        own.filter((one) => one.name === name).flatMap((one) => Object.keys(one.choices)),
      ),
    ),
  ],
}));
const usage = `bin/draw LIST… [--kind ${kinds.map((kind) => kind.id).join('|')}] [--title T] [--out FILE.{${Object.keys(formats).join(',')}}] [--report FILE.json]
              ${options.map(({ name, choices }) => `[--${name} ${choices.join('|')}]`).join(' ')}
              [--look L] [--sheet ${Sheet.shape.size.options.join('|')}] [--orientation ${Sheet.shape.orientation.options.join('|')}]
              [--least PT] [--dpi N] [--sheets PT] [--tiles ${tilePapers.join('|')}] [--part SHEET]

Reads lists and draws them, without server or browser. LIST may be - for standard input.
Without --kind the list itself tells, as on Start. With several lists, {} in --out and --report stands for the name of each.
A column “Picture” names files beside the list; they are drawn with --content scattered.
Exit code 0: drawn; 1: a list could not be read, or a picture not be written; 2: the call's words are off.`;

class Misuse extends Error {}

async function run(args: string[]): Promise<void> {
  const { values, positionals } = parse(args);
  if (values.help) return void console.log(usage);
  if (positionals.length === 0) throw new Misuse('Name one list file.');
  if (!values.out && !values.report)
    throw new Misuse('Say where the picture goes with --out, or the report with --report.');
  if (positionals.length > 1)
    for (const name of ['out', 'report'] as const)
      if (values[name]?.includes('{}') === false)
        throw new Misuse(`With several lists --${name} needs {} where the name of each list goes: --${name} '{}.svg'.`);
  if (values.kind !== undefined && !kinds.some((one) => one.id === values.kind))
    throw new Misuse(`--kind knows ${kinds.map((one) => one.id).join(', ')}.`);
  let failed = 0;
  for (const list of positionals)
    await drawOne(list, values).catch((error: unknown) => {
      if (error instanceof Misuse || positionals.length === 1) throw error;
      failed++;
      console.error(`${list}: ${error instanceof Error ? error.message : String(error)}`);
    });
  if (failed > 0) throw new Error(`${failed} of ${positionals.length} lists could not be drawn.`);
}

/** One list, its picture and its report. Throws Misuse for a wrong call, Error with words for people else. */
async function drawOne(list: string, values: Values): Promise<void> {
  const name = basename(list, extname(list));
  const [out, report] = [values.out?.replaceAll('{}', name), values.report?.replaceAll('{}', name)];
  const ending = out ? extname(out).slice(1).toLowerCase() : 'svg';
  if (!isFormat(ending))
    throw new Misuse(`--out knows the endings ${Object.keys(formats).join(', ')}; “${ending}” is none of them.`);
  const decoded = chosenPart(decodeList(await bytesOf(list)), values.part);
  const { kind, read, all } = readList(decoded.text, values.kind);
  const title = values.title ?? ((read && kind.titleIn(read)) || name);
  const made = makeDiagram(kind, read ?? kind.read(tokensOf('')), title);
  const { diagram, images, missing } = await withPictures(
    withOptions(made, kind, values),
    list === '-' ? '.' : dirname(list),
  );
  const drawn = draw(diagram);
  const found = [...decoded.findings, ...(read?.findings ?? []), ...missing];
  const findings = [...found, ...(read ? check(diagram, drawn) : [])];
  const set = values.sheets === undefined ? null : setOf(diagram, kind, values.sheets, ending);
  const tiles = values.tiles === undefined ? undefined : tilesOf(values.tiles, ending);
  if (report)
    await writeFile(
      report,
      `${JSON.stringify(reportOf(diagram, { kind, read, all }, decoded.text, findings), null, 1)}\n`,
    );
  for (const one of found) console.error(one.message);
  if (!read || read.entries.length === 0) throw new Error(`Nothing could be drawn from ${list}.`);
  if (out)
    await writeFile(
      out,
      await formats[ending].write(diagram, () => drawn.scene, {
        images,
        set,
        tiles: tiles ?? null,
        ...(values.dpi ? { dotsPerInch: Number(values.dpi) } : {}),
      }),
    );
  if (set)
    console.log(
      `${set.sheets.length} ${set.sheets.length === 1 ? 'sheet' : 'sheets'}, ${set.print === null ? 'without text' : `the smallest text at ${set.print.toFixed(1)} pt`}.`,
    );
  const tiers = drawn.scene.tiers.length;
  console.log(
    `${read.entries.length} ${kind.entryNoun[read.entries.length === 1 ? 0 : 1]} in ${tiers} ${tiers === 1 ? 'tier' : 'tiers'}${out ? `, drawn to ${out}` : ''}.`,
  );
}

/** The sheet that is asked for of a spreadsheet that has several, else the fullest, told which. */
function chosenPart(decoded: Decoded, wanted: string | undefined): Decoded {
  const { parts, part } = decoded;
  if (!parts || part === undefined) {
    if (wanted !== undefined)
      throw new Misuse('--part names a sheet of a spreadsheet with several; this list has none.');
    return decoded;
  }
  const names = parts.map(({ name }) => name);
  if (wanted !== undefined && !names.includes(wanted))
    throw new Misuse(`--part knows the sheets ${names.join(', ')}; “${wanted}” is none of them.`);
  const taken = wanted === undefined ? part : names.indexOf(wanted);
  const { text, findings, name } = parts[taken]!;
  const message = `The sheet “${name}” was read, of ${names.length}: ${names.join(', ')}. Name another with --part.`;
  return { ...decoded, text, findings: [finding('sheet', 'note', message), ...findings] };
}

/** The kind that is asked for, else the one that reads the list best. */
function readList(text: string | null, wanted: string | undefined): Told {
  const asked = kinds.find(({ id }) => id === wanted);
  if (text === null) return { kind: asked ?? kinds[0]!, read: null, all: [] };
  if (asked) return { kind: asked, read: readAs(asked, text), all: [] };
  const all = readInAllKinds(text);
  const best = all[0]!;
  if (best.read.entries.length > 0 && best.strength < leastStrength)
    throw new Error(
      `No kind of diagram reads this list well. Say which it is with --kind: ${kinds.map(({ id }) => id).join(', ')}.`,
    );
  return { kind: best.kind, read: best.read, all };
}

type Values = ReturnType<typeof parse>['values'];

function parse(args: string[]) {
  const text = { type: 'string' } as const;
  try {
    return parseArgs({
      args,
      allowPositionals: true,
      options: {
        ...(Object.fromEntries(options.map(({ name }) => [name, text])) as Record<string, never>),
        kind: text,
        out: text,
        report: text,
        title: text,
        look: text,
        sheet: text,
        orientation: text,
        dpi: text,
        least: text,
        sheets: text,
        tiles: text,
        part: text,
        help: { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    throw new Misuse(error instanceof Error ? error.message : String(error));
  }
}

async function bytesOf(list: string): Promise<Uint8Array> {
  try {
    if (list !== '-') return await readFile(list);
    const parts: Buffer[] = [];
    for await (const part of process.stdin) parts.push(part as Buffer);
    return Buffer.concat(parts);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    throw new Error(
      code === 'ENOENT'
        ? `There is no file ${list}.`
        : code === 'EISDIR'
          ? `${list} is a folder, not a list.`
          : `${list} cannot be read (${code ?? 'unknown reason'}).`,
      { cause: error },
    );
  }
}

function setOf(diagram: Diagram, kind: AnyKind, asked: string, ending: string): SheetSet {
  const least = Number(asked);
  if (!(least >= 4 && least <= 36))
    throw new Misuse('--sheets takes the smallest print of a set, from 4 to 36 points.');
  if (ending !== 'pdf') throw new Misuse('--sheets makes a PDF; let --out end in .pdf.');
  const set = drawSet(diagram, least);
  if (!set) throw new Misuse(`A ${kind.nameInSentence} cannot be parted over sheets; --tiles makes a poster of it.`);
  return set;
}

function tilesOf(asked: string, ending: string): TilePaper {
  if (!isTilePaper(asked)) throw new Misuse(`--tiles knows ${tilePapers.join(', ')}; “${asked}” is none of them.`);
  if (ending !== 'pdf') throw new Misuse('--tiles makes a PDF; let --out end in .pdf.');
  return asked;
}

/** The diagram drawn as the call asks. An option of another kind is told, not passed over. */
function withOptions(made: Diagram, kind: AnyKind, values: Values): Diagram {
  if (values.dpi !== undefined && !(Number(values.dpi) >= 24 && Number(values.dpi) <= 1200))
    throw new Misuse('--dpi takes a number from 24 to 1200.');
  if (values.least !== undefined && !(Number(values.least) >= 4 && Number(values.least) <= 36))
    throw new Misuse('--least takes a size of print from 4 to 36 points.');
  const look = chosen(
    'look',
    values.look,
    looks.map(({ id }) => id),
  );
  const size = chosen('sheet', values.sheet, Sheet.shape.size.options);
  const orientation = chosen('orientation', values.orientation, Sheet.shape.orientation.options);
  const gesture: Command[] = [
    ...(look ? [{ kind: 'setLook' as const, look }] : []),
    {
      kind: 'setSheet',
      patch: {
        ...(size && { size }),
        ...(orientation && { orientation }),
        ...(values.least !== undefined && { leastPrint: Number(values.least) }),
      },
    },
  ];
  for (const { name, choices } of options) {
    const given = (values as unknown as Record<string, string | undefined>)[name];
    const word = chosen(name, given, choices);
    if (word === undefined) continue;
    const own = kind.options.find((one) => one.name === name);
    if (!own) throw new Misuse(`--${name} is nothing that a ${kind.nameInSentence} knows.`);
    const way = own.choices[word];
    if (!way)
      throw new Misuse(
        `--${name} of a ${kind.nameInSentence} knows ${Object.keys(own.choices).join(', ')}; “${word}” is none of them.`,
      );
    gesture.push(...way);
  }
  const outcome = applyGesture(made, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
}

function chosen<T extends string>(name: string, given: string | undefined, known: readonly T[]): T | undefined {
  const found = known.find((one) => one === given);
  if (given !== undefined && found === undefined)
    throw new Misuse(`--${name} knows ${known.join(', ')}; “${given}” is none of them.`);
  return found;
}

run(process.argv.slice(2)).catch((error: unknown) => {
  const misuse = error instanceof Misuse;
  console.error(error instanceof Error ? error.message : String(error));
  if (misuse) console.error(`\n${usage}`);
  process.exitCode = misuse ? 2 : 1;
});
