import { createCanvas, GlobalFonts, loadImage, Path2D, type Image, type SKRSContext2D } from '@napi-rs/canvas';
import sharp from 'sharp';
import { isOfScript, type Face, type Run } from '../../core/measure';
import {
  boxOutline,
  dashPattern,
  type ImagePrimitive,
  type Primitive,
  type Scene,
  type SceneGroup,
} from '../../core/scene';
import { fontPath } from '../fonts';
import { noImages, type ImageFiles } from '../images';

/** Pictures are made no larger than this on either side. */
export const mostPixels = 16_000;

type Pictures = ReadonlyMap<string, Image>;
/** One short handler a primitive; a new primitive fails to compile until it is drawn here. */
type Handlers = {
  [K in Primitive['type']]: (to: SKRSContext2D, one: Extract<Primitive, { type: K }>, pictures: Pictures) => void;
};

const registered = new Set<Face>();
function setFont(to: SKRSContext2D, face: Face, size: number): void {
  if (!registered.has(face)) {
    GlobalFonts.registerFromPath(fontPath(face), `dendrotax-${face}`);
    registered.add(face);
  }
  to.font = `${size}px dendrotax-${face}`;
}
const dash = (to: SKRSContext2D, width: number, line: { dashed: boolean; dotted?: true }) =>
  to.setLineDash(line.dashed || line.dotted ? [...dashPattern(width, line.dotted ? 'dotted' : 'dashed')] : []);

interface RunPlace {
  readonly size: number;
  readonly x: number;
  readonly y: number;
}

function setRun(to: SKRSContext2D, { text, face, rtl }: Pick<Run, 'text' | 'face' | 'rtl'>, { size, x, y }: RunPlace) {
  setFont(to, face, size);
  // Letters that are spaced, however little, are not joined; those of scripts are to be.
  to.letterSpacing = isOfScript(face) ? '0px' : '0.0001px';
  to.direction = rtl ? 'rtl' : 'ltr';
  to.textAlign = 'left';
  to.fillText(text, x, y);
}

/** A picture that fills its place, what stands over cut off. */
function drawCropped(to: SKRSContext2D, picture: Image, { x, y, width, height, crop, whole }: ImagePrimitive): void {
  const zoom = Math.max(width / picture.width, height / picture.height);
  const [wide, high] = [width / zoom, height / zoom];
  to.save();
  to.beginPath();
  if (crop === 'round') to.ellipse(x + width / 2, y + height / 2, width / 2, height / 2, 0, 0, 2 * Math.PI);
  else to.rect(x, y, width, height);
  to.clip();
  if (whole) to.drawImage(picture, whole.x, whole.y, whole.width, whole.height);
  else to.drawImage(picture, (picture.width - wide) / 2, (picture.height - high) / 2, wide, high, x, y, width, height);
  to.restore();
}

const handlers: Handlers = {
  image(to, primitive, pictures) {
    const { image, x, y, width, height, crop } = primitive;
    const picture = pictures.get(image);
    if (picture && crop) return drawCropped(to, picture, primitive);
    if (picture) return to.drawImage(picture, x, y, width, height);
    to.setLineDash([]);
    to.lineWidth = 0.75;
    to.strokeStyle = '#888888';
    to.strokeRect(x, y, width, height);
  },
  box(to, box) {
    const path = new Path2D(boxOutline(box));
    if (box.fade) {
      const fading = to.createLinearGradient(0, box.y, 0, box.y + box.height);
      fading.addColorStop(0, box.fade);
      fading.addColorStop(1, box.fill);
      to.fillStyle = fading;
    } else to.fillStyle = box.fill;
    to.globalAlpha = box.cover ?? 1;
    to.fill(path);
    to.globalAlpha = 1;
    if (box.strokeWidth <= 0) return;
    dash(to, box.strokeWidth, box);
    to.lineWidth = box.strokeWidth;
    to.strokeStyle = box.stroke;
    to.stroke(path);
  },
  path(to, one) {
    const path = new Path2D(one.d);
    if (one.fill) {
      to.fillStyle = one.fill;
      to.globalAlpha = one.cover ?? 1;
      to.fill(path, 'evenodd');
      to.globalAlpha = 1;
    }
    if (one.strokeWidth <= 0) return;
    dash(to, one.strokeWidth, one);
    to.lineWidth = one.strokeWidth;
    to.strokeStyle = one.stroke;
    to.stroke(path);
  },
  curvedText(to, { glyphs, size, fill }) {
    to.fillStyle = fill;
    for (const { text, face, x, y, turn } of glyphs) {
      to.save();
      to.translate(x, y);
      to.rotate((turn * Math.PI) / 180);
      setRun(to, { text, face }, { size, x: 0, y: 0 });
      to.restore();
    }
  },
  text(to, text) {
    let x = text.x;
    to.fillStyle = text.fill;
    for (const run of text.runs) {
      setRun(to, run, { size: text.size, x, y: text.y });
      x += run.width;
    }
  },
};
const draw = (to: SKRSContext2D, one: Primitive, pictures: Pictures): void =>
  (handlers[one.type] as (to: SKRSContext2D, one: Primitive, pictures: Pictures) => void)(to, one, pictures);

/**
 * The Scene as PNG at a resolution in dots per inch (96: one pixel a CSS px), which the file carries. Throws a RangeError with words for people where it
 * would be too large. Text is set run by run at the places it was measured for, without ligatures.
 */
export async function pngOf(scene: Scene, dotsPerInch = 192, images: ImageFiles = noImages): Promise<Buffer> {
  const { sheet, drawing } = scene;
  const zoom = dotsPerInch / 96;
  const largest = Math.max(sheet.width, sheet.height) * zoom;
  if (largest > mostPixels) {
    const fit = Math.floor((mostPixels / Math.max(sheet.width, sheet.height)) * 96);
    throw new RangeError(
      `At ${dotsPerInch} dpi the picture would be ${Math.round(largest)} pixels long; the most is ${mostPixels}. Choose ${fit} dpi or less, or a smaller sheet.`,
    );
  }
  const [width, height] = [Math.round(sheet.width * zoom), Math.round(sheet.height * zoom)];
  const canvas = createCanvas(width, height);
  const to = canvas.getContext('2d');
  const pictures = new Map<string, Image>();
  for (const [id, { bytes }] of images) pictures.set(id, await loadImage(Buffer.from(bytes)));
  to.fontKerning = 'normal';
  to.scale(zoom, zoom);
  to.fillStyle = sheet.ground;
  to.fillRect(0, 0, sheet.width, sheet.height);
  const drawAll = (groups: readonly SceneGroup[]): void => {
    for (const { x, y, children } of groups) {
      to.save();
      to.translate(x, y);
      for (const one of children) draw(to, one, pictures);
      to.restore();
    }
  };
  drawAll(scene.notes);
  to.translate(drawing.x, drawing.y);
  to.scale(drawing.scale, drawing.scale);
  drawAll(scene.groups);
  return sharp(canvas.data(), { raw: { width, height, channels: 4 } })
    .withMetadata({ density: dotsPerInch })
    .png({ compressionLevel: 6 })
    .toBuffer();
}
