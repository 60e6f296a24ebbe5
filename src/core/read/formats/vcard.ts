import { own } from '../../model';
import { textOfBase64, unfolded } from './base64';
import { listOf, tell, type FormatText, type Item } from './records';

export const isVcard = (text: string): boolean => /^BEGIN:VCARD[ \t]{0,9}[\r\n]/i.test(text.slice(0, 1000).trimStart());

/** Where the parts of an organisation are kept until all cards are read, and what parts them. */
const unitKey = 'Organisation';
const unitSign = ' / ';

/** What a related person is to the person of the card (RFC 6350, 6.6.6), by the heading that says so in a list. */
const relations: Readonly<Record<string, string>> = {
  spouse: 'Partner',
  sweetheart: 'Partner',
  parent: 'Parents',
  child: 'Children',
};

/** Properties of a card (RFC 6350) by the heading their values stand under; others stand under their own name. */
const headings: Readonly<Record<string, string>> = {
  fn: 'Name',
  title: 'Title',
  role: 'Role',
  email: 'Mail',
  tel: 'Phone',
  bday: 'Born',
  deathdate: 'Died',
  gender: 'Gender',
  uid: 'UID',
  note: 'Note',
  nickname: 'Known as',
};
/** What says how a card is kept, and pictures, which are no words. */
const passedOver = new Set([
  'begin',
  'end',
  'version',
  'prodid',
  'rev',
  'photo',
  'logo',
  'sound',
  'key',
  'n',
  'kind',
  'clientpidmap',
]);

const escaped: Readonly<Record<string, string>> = { n: '\n', N: '\n' };
const unescaped = (value: string): string =>
  value.replaceAll(/\\(.)/g, (_, sign: string) => own(escaped, sign) ?? sign).trim();
/** The parts of a value that semicolons part, as far as they are not escaped. */
const partsOf = (value: string): string[] => (value.match(/(?:\\.|[^;\\])+|(?<=;)(?=;)/g) ?? []).map(unescaped);

/** Bytes written `=C3=A9` (quoted-printable, as cards before version 4 may be). */
const unquoted = (value: string): string => {
  try {
    return decodeURIComponent(value.replaceAll('%', '%25').replaceAll(/=([0-9a-f]{2})/gi, '%$1'));
  } catch {
    return value;
  }
};

/**
 * Cards of people (vCard 4.0, RFC 6350, and older ones as far as they say the same) as a table: a row a card. The parts of an organisation are columns from
 * the widest to the narrowest; related people stand under what they are to the person. O(characters).
 */
export function vcardText(source: string): FormatText {
  const items: Item[] = [];
  const problems: { line: number; message: string }[] = [];
  const passed = new Set<string>();
  let open: Item | null = null;
  let names = '';
  for (const { line, text } of unfolded(source)) {
    if (text.trim() === '') continue;
    const colon = colonOf(text);
    if (colon < 0) {
      problems.push({ line, message: `“${text.slice(0, 60)}” is no line of a card and was passed over.` });
      continue;
    }
    const [told = '', ...parameters] = text.slice(0, colon).split(';');
    const property = told.slice(told.lastIndexOf('.') + 1).toLowerCase();
    const raw = text.slice(colon + 1);
    if (property === 'begin') items.push((open = { line, cells: new Map(), below: [] }));
    else if (property === 'end') {
      if (open && !open.cells.has('Name') && names !== '') open.cells.set('Name', names);
      [open, names] = [null, ''];
    } else if (!open) continue;
    else if (property === 'n') names = nameOf(valueOf(raw, parameters));
    else if (passedOver.has(property)) {
      if (['photo', 'logo', 'sound', 'key'].includes(property)) passed.add(property);
    } else tellProperty(open.cells, property, parameters, valueOf(raw, parameters));
  }
  if (passed.size > 0)
    problems.push({
      line: 1,
      message: `Passed over: ${[...passed].join(', ')}. Pictures are brought beside the list, on the Bench.`,
    });
  return { format: 'vCard', ...listOf(placed(items)), problems };
}

/** The colon before the value; those within quoted parameters are none. */
function colonOf(text: string): number {
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '"') quoted = !quoted;
    else if (text[i] === ':' && !quoted) return i;
  }
  return -1;
}

function valueOf(raw: string, parameters: readonly string[]): string {
  const encoding = parameters.find((one) => /^(?:encoding=)?(?:b|base64|quoted-printable)$/i.test(one)) ?? '';
  if (/quoted/i.test(encoding)) return unquoted(raw);
  return encoding === '' ? raw : (textOfBase64(raw) ?? '');
}

/** Family name; given name; further names; before; after. */
function nameOf(value: string): string {
  const [family = '', given = '', further = '', before = '', after = ''] = value.split(';').map(unescaped);
  return [before, given, further, family, after].filter(Boolean).join(' ');
}

function tellProperty(
  cells: Map<string, string>,
  property: string,
  parameters: readonly string[],
  value: string,
): void {
  if (property === 'org') {
    tell(cells, unitKey, partsOf(value).filter(Boolean).join(unitSign));
  } else if (property === 'related') {
    const type =
      parameters
        .find((one) => /^type=/i.test(one))
        ?.slice(5)
        .replaceAll('"', '') ?? 'Related';
    tell(cells, own(relations, type.toLowerCase()) ?? type.charAt(0).toUpperCase() + type.slice(1), unescaped(value));
  } else if (property === 'adr') tell(cells, 'Address', partsOf(value).filter(Boolean).join(', '));
  else if (property === 'gender') tell(cells, 'Gender', partsOf(value).filter(Boolean).join(', '));
  else
    tell(
      cells,
      own(headings, property) ?? property.replace(/^x-/, '').replace(/^./, (sign) => sign.toUpperCase()),
      unescaped(value).replace(/^(?:mailto|tel):/i, ''),
    );
}

/**
 * Cards as a list: where they tell relations, each child's parents with the child; else people below the parts of their organisation; else a row a card.
 * Who is told by the address of a card is told by name.
 */
function placed(items: readonly Item[]): readonly Item[] {
  const byId = new Map(
    items.flatMap((item) => (item.cells.has('UID') ? [[item.cells.get('UID')!, item] as const] : [])),
  );
  const byName = new Map(items.map((item) => [item.cells.get('Name') ?? '', item]));
  const isFamily = items.some(({ cells }) => ['Partner', 'Parents', 'Children'].some((key) => cells.has(key)));
  if (!isFamily) return items.some(({ cells }) => cells.has(unitKey)) ? underUnits(items) : items;
  const named = (key: string, cells: ReadonlyMap<string, string>): string[] =>
    (cells.get(key)?.split('; ') ?? []).map((one) => byId.get(one)?.cells.get('Name') ?? one);
  for (const { cells } of items)
    for (const key of ['Partner', 'Parents', 'Children'])
      if (cells.has(key)) cells.set(key, named(key, cells).join('; '));
  for (const { cells } of items) {
    const away = named('Children', cells).filter((child) => {
      const own = byName.get(child)?.cells;
      if (own && !named('Parents', own).includes(cells.get('Name')!)) tell(own, 'Parents', cells.get('Name')!);
      return !own;
    });
    if (away.length > 0) cells.set('Children', away.join('; '));
    else cells.delete('Children');
  }
  return items;
}

/** People below the narrowest part of the organisation that they are of; those of none at the top. */
function underUnits(items: readonly Item[]): Item[] {
  const tops: Item[] = [];
  const units = new Map<string, Item & { below: Item[] }>();
  for (const item of items) {
    const path = item.cells.get(unitKey)?.split(unitSign) ?? [];
    item.cells.delete(unitKey);
    let level: Item[] = tops;
    path.forEach((name, i) => {
      const way = path.slice(0, i + 1).join(unitSign);
      let unit = units.get(way);
      if (!unit) {
        unit = { line: item.line, cells: new Map([['Name', name]]), below: [] };
        units.set(way, unit);
        level.push(unit);
      }
      level = unit.below;
    });
    level.push(item);
  }
  return tops;
}
