import { inked } from './ink';

const LARGEST_FILE = 20_000_000;
const WIDEST = 1600;
const TILE = 32;
/** How much darker than the paper around it something is that counts as a stroke, and as all ink. */
const [FAINT, FULL] = [0.16, 0.42];
const INK = [0x14, 0x20, 0x1f] as const;

/** The strokes of a photograph or scan as a PNG in base64; undefined when there are none. */
export async function ofPicture(file: File): Promise<string | undefined> {
  if (file.size > LARGEST_FILE) return undefined;
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, WIDEST / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  const context = canvas.getContext('2d');
  if (!context) return undefined;
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const image = context.getImageData(0, 0, canvas.width, canvas.height);
  strokesOnly(image.data, canvas.width, canvas.height);
  context.putImageData(image, 0, 0);
  return inked(canvas);
}

/**
 * Leaves what is clearly darker than the paper around it, as ink on nothing. The paper's lightness is taken tile by tile, so that a
 * shadow over the photograph is no ink. What was transparent before stays so.
 */
export function strokesOnly(data: Uint8ClampedArray, width: number, height: number): void {
  const paper = paperOf(data, width, height);
  const across = Math.ceil(width / TILE);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      const light = paper[Math.floor(y / TILE) * across + Math.floor(x / TILE)] ?? 255;
      const darker = light > 0 ? (light - lightness(data, at)) / light : 0;
      const ink = Math.max(0, Math.min(1, (darker - FAINT) / (FULL - FAINT)));
      data[at + 3] = Math.round(ink * 255);
      [data[at], data[at + 1], data[at + 2]] = INK;
    }
  }
}

/** On white where it is transparent. */
function lightness(data: Uint8ClampedArray, at: number): number {
  const alpha = (data[at + 3] ?? 0) / 255;
  const own =
    0.2126 * (data[at] ?? 0) + 0.7152 * (data[at + 1] ?? 0) + 0.0722 * (data[at + 2] ?? 0);
  return own * alpha + 255 * (1 - alpha);
}

/** How light the paper is in each tile: what nine tenths of it and of its neighbours are darker than. */
function paperOf(data: Uint8ClampedArray, width: number, height: number): number[] {
  const [across, down] = [Math.ceil(width / TILE), Math.ceil(height / TILE)];
  const own: number[] = [];
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      const lights: number[] = [];
      for (let y = row * TILE; y < Math.min(height, (row + 1) * TILE); y += 2)
        for (let x = column * TILE; x < Math.min(width, (column + 1) * TILE); x += 2)
          lights.push(lightness(data, (y * width + x) * 4));
      lights.sort((a, b) => a - b);
      own.push(lights[Math.floor(lights.length * 0.9)] ?? 255);
    }
  // a tile that a thick stroke fills knows its paper from those beside it
  return own.map((light, i) => {
    const [row, column] = [Math.floor(i / across), i % across];
    let lightest = light;
    for (let r = row - 1; r <= row + 1; r++)
      for (let c = column - 1; c <= column + 1; c++)
        if (r >= 0 && r < down && c >= 0 && c < across)
          lightest = Math.max(lightest, own[r * across + c] ?? 0);
    return lightest;
  });
}
