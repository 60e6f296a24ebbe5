import type { Face } from '../core/measure';

/** The font file of each face, as a module path. The same files are measured, shown, printed and embedded. */
export const faceFiles: Readonly<Record<Face, string>> = {
  sans400: '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  sans600: '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf',
  sans700: '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf',
  sans400i:
    '@expo-google-fonts/atkinson-hyperlegible-next/400Regular_Italic/AtkinsonHyperlegibleNext_400Regular_Italic.ttf',
  sans600i:
    '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold_Italic/AtkinsonHyperlegibleNext_600SemiBold_Italic.ttf',
  sans700i: '@expo-google-fonts/atkinson-hyperlegible-next/700Bold_Italic/AtkinsonHyperlegibleNext_700Bold_Italic.ttf',
  serif600: '@expo-google-fonts/source-serif-4/600SemiBold/SourceSerif4_600SemiBold.ttf',
  noto400: '@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf',
  noto600: '@expo-google-fonts/noto-sans/600SemiBold/NotoSans_600SemiBold.ttf',
  noto700: '@expo-google-fonts/noto-sans/700Bold/NotoSans_700Bold.ttf',
};
