import type { Parentage } from '../model';

const year = String.raw`(?:(?:(?:c\.|ca\.|um|about|abt|before|bef|after|aft|vor|nach|~|<|>)\s*)?\d{3,4}(?:\/\d{2})?\??|\d{1,2}[./ ](?:\d{1,2}|\p{L}+)[./ ]\d{3,4}|\d{4}-\d{2}-\d{2}|\d{1,2}\s\p{L}+\s\d{3,4}|\p{L}+\s\d{4}\s\p{L}+\s\d{4})`;
const both = new RegExp(`^(${year})?\\s*[–-]\\s*(${year})?$`, 'u');
const yearAlone = new RegExp(`^${year}$`, 'u');
const events = new RegExp(
  `^(?:(?:b\\.?|born|geb\\.?|n\\.|née?|f\\.|\\*)\\s*(${year}))?[,;\\s]*(?:(?:d\\.?|died|gest\\.?|†|\\+|m\\.)\\s*(${year}))?$`,
  'u',
);

/** How lists in several languages say that a child is none by birth. */
const otherWords: readonly (readonly [RegExp, Parentage['kind']])[] = [
  [/^(adop|angenommen|przysposob|osvoj|örökbe|evlatl|înfiat|usvoj|усынов|удочер|приёмный|养|養子)/, 'adopted'],
  [
    /^(foster|pflege|plac|acogid|acolhid|affid|pleeg|plejeb|kasvatti|sijais|wychowan|pěstoun|nevelt|koruyucu|подопечн)/,
    'foster',
  ],
  [
    /^(step|stief|beau-|belle-|hijastr|entead|figliastr|styv|stedbarn|stebarn|stesønn|stedatter|poikapuol|tytärpuol|lapsipuol|pasierb|nevlastn|mostoha|üvey|vitreg|pastor[ke]|пасын|падчер)/,
    'step',
  ],
];
const ownWords = ['adopted', 'step', 'foster', 'donor', 'birth', 'unknown', 'household'] as const;

/** How a child belongs to its parents, by a word for it; null for any other. */
export function parentageOf(text: string): Parentage['kind'] | null {
  const told = text.trim().toLowerCase();
  return ownWords.find((kind) => told.startsWith(kind)) ?? otherWords.find(([words]) => words.test(told))?.[1] ?? null;
}

export interface Life {
  readonly name: string;
  readonly born: string;
  readonly died: string;
  readonly parentage: Parentage['kind'] | null;
}

/** "Ada Quill (1850–1921) (adopted)", "Ada Quill, 1850" to name, dates and parentage; what stands in brackets and is none of these stays with the name. O(length). */
export function lifeIn(text: string): Life {
  let name = text.trim();
  let life = { born: '', died: '' };
  let parentage: Life['parentage'] = null;
  for (let k = 0; k < 2; k++) {
    const open = /[)\]]$/.test(name) ? Math.max(name.lastIndexOf('('), name.lastIndexOf('[')) : -1;
    const before = name.slice(0, Math.max(0, open)).trim();
    if (before === '') break;
    const inside = name.slice(open + 1, -1);
    const told = lifeOf(inside);
    const kind = told ? null : parentageOf(inside);
    if (told) life = told;
    else if (kind) parentage = kind;
    else break;
    name = before;
  }
  const cut = name.indexOf(', ');
  const told = cut > 0 && life.born === '' && life.died === '' ? lifeOf(name.slice(cut + 2)) : null;
  return told ? { name: name.slice(0, cut).trim(), ...told, parentage } : { name, ...life, parentage };
}

function lifeOf(text: string): { born: string; died: string } | null {
  const told = text.trim();
  if (told === '' || told.length > 80) return null;
  const span = both.exec(told);
  if (span && (span[1] ?? span[2])) return { born: span[1]?.trim() ?? '', died: span[2]?.trim() ?? '' };
  // A year alone is that of birth.
  if (yearAlone.test(told)) return { born: told, died: '' };
  const event = events.exec(told);
  return event && (event[1] ?? event[2]) ? { born: event[1] ?? '', died: event[2] ?? '' } : null;
}
