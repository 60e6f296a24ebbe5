import { renderAsync } from '@resvg/resvg-js';
import type { Scene } from '../../core/scene';
import { faceFiles } from '../font-files';
import { fontPath } from '../fonts';
import { noImages } from '../images';
import { svgOf } from '../svg/svg';
import type { Face } from '../../core/measure';

/** Pictures are made no larger than this on either side. */
export const mostPixels = 16_000;

/** The Scene as PNG at a resolution in dots per inch (96: one pixel a CSS px). Throws a RangeError with words for people where it would be too large. */
export async function pngOf(scene: Scene, dotsPerInch = 192, images = noImages): Promise<Buffer> {
  const zoom = dotsPerInch / 96;
  const largest = Math.max(scene.sheet.width, scene.sheet.height) * zoom;
  if (largest > mostPixels) {
    const fit = Math.floor((mostPixels / Math.max(scene.sheet.width, scene.sheet.height)) * 96);
    throw new RangeError(
      `At ${dotsPerInch} dpi the picture would be ${Math.round(largest)} pixels long; the most is ${mostPixels}. Choose ${fit} dpi or less, or a smaller sheet.`,
    );
  }
  const image = await renderAsync(svgOf(scene, { fontCss: '', images }), {
    fitTo: { mode: 'zoom', value: zoom },
    font: {
      loadSystemFonts: false,
      fontFiles: (Object.keys(faceFiles) as Face[]).map(fontPath),
      defaultFontFamily: 'Atkinson Hyperlegible Next',
    },
  });
  return image.asPng();
}
