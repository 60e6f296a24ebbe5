import { readFile, writeFile } from 'node:fs/promises';
import { basename, dirname, extname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { check, draw, kindOf, kinds } from '../src/core/kind';
import { createDiagram, finding, type Diagram, type Finding } from '../src/core/model';
import { decodeList, pictureFileOf, type ReadResult } from '../src/core/read';
import { looks } from '../src/core/style';
import { formats, isFormat } from '../src/export/formats';
import { cleanPicture, PictureFault } from '../src/export/clean-picture';
import { pictureId, type ImageFile, type ImageFiles } from '../src/export/images';

const usage = `bin/draw LIST [--kind ${kinds.map((kind) => kind.id).join('|')}] [--title T] [--out FILE.{${Object.keys(formats).join(',')}}] [--report FILE.json]
              [--direction down|right] [--lowest row|column] [--curves equal|circles|ellipses] [--content names|scattered|counts|blank]
              [--look L] [--sheet A4|A3|letter|drawing] [--orientation landscape|portrait] [--dpi N]

Reads a list and draws it, without server or browser. LIST may be - for standard input.
A column “Picture” names files beside the list; they are drawn with --content scattered.
Exit code 0: drawn; 1: the list could not be read, or the picture not be written; 2: the call's words are off.`;

class Misuse extends Error {}

/** One run: the list, the picture and the report. Throws Misuse for a wrong call, Error with words for people else. */
async function run(args: string[]): Promise<void> {
  const { values, positionals } = parse(args);
  if (values.help) return void console.log(usage);
  const [list, ...more] = positionals;
  if (!list || more.length > 0) throw new Misuse('Name one list file.');
  if (!values.out && !values.report)
    throw new Misuse('Say where the picture goes with --out, or the report with --report.');
  const kind = kinds.find((one) => one.id === values.kind);
  if (!kind) throw new Misuse(`--kind knows ${kinds.map((one) => one.id).join(', ')}.`);
  const ending = values.out ? extname(values.out).slice(1).toLowerCase() : 'svg';
  if (!isFormat(ending))
    throw new Misuse(`--out knows the endings ${Object.keys(formats).join(', ')}; “${ending}” is none of them.`);
  const decoded = decodeList(await bytesOf(list));
  const read = decoded.text === null ? null : kind.read(decoded.text);
  const made = kind.make(read ?? kind.read(''), values.title ?? basename(list, extname(list)));
  const { diagram, images, missing } = await withPictures(
    withOptions(made, values),
    list === '-' ? '.' : dirname(list),
  );
  const drawn = draw(diagram);
  const told = [...decoded.findings, ...(read?.findings ?? []), ...missing];
  const findings = [...told, ...(read ? check(diagram, drawn) : [])];
  if (values.report) await writeFile(values.report, `${JSON.stringify(reportOf(diagram, read, findings), null, 1)}\n`);
  for (const one of told) console.error(one.message);
  if (!read || read.entries.length === 0) throw new Error(`Nothing could be drawn from ${list}.`);
  if (values.out)
    await writeFile(
      values.out,
      await formats[ending].write(diagram, () => drawn.scene, {
        images,
        ...(values.dpi ? { dotsPerInch: Number(values.dpi) } : {}),
      }),
    );
  const tiers = drawn.scene.tiers.length;
  console.log(
    `${read.entries.length} ${kind.entryNoun[read.entries.length === 1 ? 0 : 1]} in ${tiers} ${tiers === 1 ? 'tier' : 'tiers'}${values.out ? `, drawn to ${values.out}` : ''}.`,
  );
}

function parse(args: string[]) {
  const text = { type: 'string' } as const;
  try {
    return parseArgs({
      args,
      allowPositionals: true,
      options: {
        kind: { ...text, default: 'org-chart' },
        out: text,
        report: text,
        title: text,
        direction: text,
        lowest: text,
        curves: text,
        content: text,
        look: text,
        sheet: text,
        orientation: text,
        dpi: text,
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

/** Pictures that the list names, read from beside it. One that cannot be read is told and left out. */
async function withPictures(
  diagram: Diagram,
  folder: string,
): Promise<{ diagram: Diagram; images: ImageFiles; missing: Finding[] }> {
  const images = new Map<string, ImageFile>();
  const missing: Finding[] = [];
  const entries: Diagram['entries'] = {};
  for (const entry of Object.values(diagram.entries)) {
    const file = pictureFileOf(entry.fields);
    const bytes = file === null ? null : await readFile(join(folder, file)).catch(() => null);
    const picture = bytes && (await cleanPicture(bytes).catch((error: unknown) => fault(error)));
    if (file !== null && !picture) {
      const message = `${entry.name}: the picture ${file} ${bytes ? 'is no PNG, JPEG, WebP or GIF that can be read' : 'is not beside the list'}.`;
      missing.push(finding('no-picture', 'warning', message, { entries: [entry.id] }));
    }
    if (!picture) {
      entries[entry.id] = entry;
      continue;
    }
    const { width, height } = picture;
    const id = pictureId(picture.bytes);
    images.set(id, picture);
    entries[entry.id] = { ...entry, image: { id, width, height } };
  }
  return { diagram: { ...diagram, entries }, images, missing };
}

/** A picture that cannot be read is told; any other fault is ours. */
function fault(error: unknown): null {
  if (error instanceof PictureFault) return null;
  throw error;
}

const curves = { equal: 'equal', circles: 'scaled-circles', ellipses: 'scaled-ellipses' } as const;

function withOptions(diagram: Diagram, values: ReturnType<typeof parse>['values']): Diagram {
  const { arrangement, sheet } = createDiagram(diagram.kind, '');
  const choose = <T extends string>(name: string, given: string | undefined, known: readonly T[], otherwise: T): T => {
    if (given === undefined) return otherwise;
    const found = known.find((one) => one === given);
    if (!found) throw new Misuse(`--${name} knows ${known.join(', ')}; “${given}” is none of them.`);
    return found;
  };
  if (values.dpi !== undefined && !(Number(values.dpi) >= 24 && Number(values.dpi) <= 1200))
    throw new Misuse('--dpi takes a number from 24 to 1200.');
  const manner = {
    shape: curves[choose('curves', values.curves, ['equal', 'circles', 'ellipses'], 'equal')],
    content: choose('content', values.content, ['names', 'scattered', 'counts', 'blank'], 'names'),
  };
  return {
    ...diagram,
    ...(diagram.kind === 'venn' && {
      venn: { ...diagram.venn, manner: { ...diagram.venn.manner, ...manner } },
    }),
    look: choose(
      'look',
      values.look,
      looks.map((look) => look.id),
      diagram.look,
    ),
    arrangement: {
      ...arrangement,
      direction: choose('direction', values.direction, ['down', 'right'], arrangement.direction),
      lowest: choose('lowest', values.lowest, ['row', 'column'], arrangement.lowest),
    },
    sheet: {
      ...sheet,
      size: choose('sheet', values.sheet, ['A4', 'A3', 'letter', 'drawing'], sheet.size),
      orientation: choose('orientation', values.orientation, ['landscape', 'portrait'], sheet.orientation),
    },
  };
}

function reportOf(diagram: Diagram, read: ReadResult | null, findings: readonly Finding[]) {
  const { structure } = draw(diagram);
  const lines = new Map(read?.entries.map((entry) => [entry.id, entry.line]));
  return {
    kind: diagram.kind,
    understood: {
      structure: read?.structure ?? 'none',
      header: read?.header ?? false,
      emptyLines: read?.emptyLines ?? 0,
      columns: read?.columns ?? [],
    },
    entries: Array.from(structure.outline, (i) => {
      const { id, name, details, fields, role, parent } = diagram.entries[structure.ids[i]!]!;
      return { id, name, details, fields, role, parent, tier: structure.tier[i]!, line: lines.get(id) ?? null };
    }),
    links: Object.values(diagram.links).map(({ from, to, phrase, kind }) => ({ from, to, phrase, kind })),
    unions: [],
    sets: read?.sets ?? [],
    notPlaced: read?.notPlaced ?? [],
    questions: read?.questions ?? [],
    findings,
    figures: kindOf(diagram.kind).figure(diagram, structure),
  };
}

run(process.argv.slice(2)).catch((error: unknown) => {
  const misuse = error instanceof Misuse;
  console.error(error instanceof Error ? error.message : String(error));
  if (misuse) console.error(`\n${usage}`);
  process.exitCode = misuse ? 2 : 1;
});
