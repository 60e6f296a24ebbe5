/** The shipped faces: Atkinson Hyperlegible Next, Source Serif 4 for titles, Noto Sans for scripts the others lack. */
export type Face =
  | 'sans400'
  | 'sans600'
  | 'sans700'
  | 'sans400i'
  | 'sans600i'
  | 'sans700i'
  | 'serif600'
  | 'noto400'
  | 'noto600'
  | 'noto700';

export interface FaceCss {
  readonly family: string;
  readonly weight: 400 | 600 | 700;
  readonly italic: boolean;
}

/** How SVG and CSS name a face. */
export function faceCss(face: Face): FaceCss {
  const weight = Number(face.replace(/\D/g, '')) as FaceCss['weight'];
  const family = face.startsWith('sans')
    ? 'Atkinson Hyperlegible Next'
    : face.startsWith('serif')
      ? 'Source Serif 4'
      : 'Noto Sans';
  return { family, weight, italic: face.endsWith('i') };
}

export function sansFace(weight: 400 | 600 | 700, slant: 'upright' | 'italic'): Face {
  return `sans${weight}${slant === 'italic' ? 'i' : ''}`;
}

/** Where a face lacks a character, this one is asked next. */
export function fallbackOf(face: Face): Face | null {
  if (face.startsWith('noto')) return null;
  return `noto${faceCss(face).weight}`;
}
