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
  deva400: '@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf',
  deva600: '@expo-google-fonts/noto-sans/600SemiBold/NotoSans_600SemiBold.ttf',
  deva700: '@expo-google-fonts/noto-sans/700Bold/NotoSans_700Bold.ttf',
  hebr400: '@expo-google-fonts/noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf',
  hebr600: '@expo-google-fonts/noto-sans-hebrew/600SemiBold/NotoSansHebrew_600SemiBold.ttf',
  hebr700: '@expo-google-fonts/noto-sans-hebrew/700Bold/NotoSansHebrew_700Bold.ttf',
  arab400: '@expo-google-fonts/noto-sans-arabic/400Regular/NotoSansArabic_400Regular.ttf',
  arab600: '@expo-google-fonts/noto-sans-arabic/600SemiBold/NotoSansArabic_600SemiBold.ttf',
  arab700: '@expo-google-fonts/noto-sans-arabic/700Bold/NotoSansArabic_700Bold.ttf',
  jpan400: '@expo-google-fonts/noto-sans-jp/400Regular/NotoSansJP_400Regular.ttf',
  jpan700: '@expo-google-fonts/noto-sans-jp/700Bold/NotoSansJP_700Bold.ttf',
  kore400: '@expo-google-fonts/noto-sans-kr/400Regular/NotoSansKR_400Regular.ttf',
  kore700: '@expo-google-fonts/noto-sans-kr/700Bold/NotoSansKR_700Bold.ttf',
  hans400: '@expo-google-fonts/noto-sans-sc/400Regular/NotoSansSC_400Regular.ttf',
  hans700: '@expo-google-fonts/noto-sans-sc/700Bold/NotoSansSC_700Bold.ttf',
};
