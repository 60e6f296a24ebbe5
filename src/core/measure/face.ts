import type { Typeface } from '../model';

/** Scripts with faces of their own, by their ISO 15924 codes in small letters: Hebrew, Arabic, Devanagari, Japanese, Korean, Chinese (simplified). */
export type Script = 'hebr' | 'arab' | 'deva' | EastAsian;
export type EastAsian = 'jpan' | 'kore' | 'hans';

/** Families with regular, semi-bold and bold, upright and italic: Atkinson Hyperlegible Next, Source Serif 4, Zilla Slab, Nunito, Barlow Semi Condensed. */
type FullFamily = 'sans' | 'serif' | 'slab' | 'soft' | 'narrow';

/** The shipped faces: those families, Kalam as by a hand, and Noto Sans for scripts the others lack. */
export type Face =
  | `${FullFamily}${400 | 600 | 700}${'' | 'i'}`
  | 'hand400'
  | 'hand700'
  | 'noto400'
  | 'noto600'
  | 'noto700'
  | `${Exclude<Script, EastAsian>}${400 | 600 | 700}`
  | `${EastAsian}${400 | 700}`;

export interface FaceCss {
  readonly family: string;
  readonly weight: 400 | 600 | 700;
  readonly italic: boolean;
}

const families: readonly (readonly [start: string, family: string])[] = [
  ['sans', 'Atkinson Hyperlegible Next'],
  ['serif', 'Source Serif 4'],
  ['slab', 'Zilla Slab'],
  ['soft', 'Nunito'],
  ['narrow', 'Barlow Semi Condensed'],
  ['hand', 'Kalam'],
  ['hebr', 'Noto Sans Hebrew'],
  ['arab', 'Noto Sans Arabic'],
  ['jpan', 'Noto Sans JP'],
  ['kore', 'Noto Sans KR'],
  ['hans', 'Noto Sans SC'],
  // Devanagari stands in Noto Sans itself.
  ['', 'Noto Sans'],
];

/** How SVG and CSS name a face. */
export function faceCss(face: Face): FaceCss {
  const weight = Number(face.replace(/\D/g, '')) as FaceCss['weight'];
  const family = families.find(([start]) => face.startsWith(start))![1];
  return { family, weight, italic: face.endsWith('i') };
}

export const sansFace = (weight: 400 | 600 | 700, slant: 'upright' | 'italic'): Face =>
  faceOf('clear', { weight, slant });

const familyOf = { clear: 'sans', book: 'serif', slab: 'slab', soft: 'soft', narrow: 'narrow' } as const;

/** The face of a typeface. That of the hand has no semi-bold, which is set in bold, and no italic. */
export function faceOf(
  typeface: Typeface,
  { weight, slant }: { readonly weight: 400 | 600 | 700; readonly slant: 'upright' | 'italic' },
): Face {
  if (typeface === 'hand') return weight === 400 ? 'hand400' : 'hand700';
  return `${familyOf[typeface]}${weight}${slant === 'italic' ? 'i' : ''}`;
}

/** The face of a script in the weight of another face; East Asian faces are regular or bold. */
export function scriptFace(script: Script, like: Face): Face {
  const { weight } = faceCss(like);
  if (script === 'hebr' || script === 'arab' || script === 'deva') return `${script}${weight}`;
  return `${script}${weight === 400 ? 400 : 700}`;
}

/** Noto Sans in the weight of another face. */
export const notoFace = (like: Face): Face => `noto${faceCss(like).weight}`;

/** Whether letters of a face take forms that depend on their neighbours, so that whoever draws it has to shape it, with the features of the font. */
export const isShaped = (face: Face): boolean => /^(hebr|arab|deva)/.test(face);

/** Whether a face is one of the three that share ideographs. */
export const isEastAsian = (face: Face): boolean => /^(jpan|kore|hans)/.test(face);

/** Whether a face is of one script, whose features are left on and whose letters are not spaced. */
export const isOfScript = (face: Face): boolean => isShaped(face) || isEastAsian(face);
