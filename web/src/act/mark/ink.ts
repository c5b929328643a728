/** Fonts in which a typed signature can be set. */
export const hands = ['La Belle Aurore', 'Petit Formal Script', 'Reenie Beanie'] as const;
export type Hand = (typeof hands)[number];

/** The part of a picture that has ink, as a PNG in base64; undefined when there is none. */
export function inked(canvas: HTMLCanvasElement): string | undefined {
  const context = canvas.getContext('2d');
  if (!context || !canvas.width || !canvas.height) return undefined;
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const box = bounds(data, canvas.width, canvas.height);
  if (!box) return undefined;
  const scale = Math.min(1, 1000 / box.width, 500 / box.height);
  const cut = document.createElement('canvas');
  cut.width = Math.max(1, Math.round(box.width * scale));
  cut.height = Math.max(1, Math.round(box.height * scale));
  cut
    .getContext('2d')
    ?.drawImage(canvas, box.left, box.top, box.width, box.height, 0, 0, cut.width, cut.height);
  return cut.toDataURL('image/png').split(',')[1];
}

/** The smallest box around all ink in RGBA data, with a small margin. */
export function bounds(data: Uint8ClampedArray, width: number, height: number) {
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if ((data[(y * width + x) * 4 + 3] ?? 0) < 60) continue;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  }
  if (right < 0) return undefined;
  left = Math.max(0, left - 4);
  top = Math.max(0, top - 4);
  return {
    left,
    top,
    width: Math.min(width, right + 5) - left,
    height: Math.min(height, bottom + 5) - top,
  };
}

/** A name set in a hand, as a PNG in base64. */
export async function written(name: string, hand: Hand): Promise<string | undefined> {
  await document.fonts.load(`96px '${hand}'`, name);
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d');
  if (!context) return undefined;
  context.font = `96px '${hand}'`;
  canvas.width = Math.min(2200, Math.ceil(context.measureText(name).width) + 80);
  canvas.height = 240;
  context.font = `96px '${hand}'`;
  context.fillStyle = '#14201f';
  context.textBaseline = 'middle';
  context.fillText(name, 40, 120);
  return inked(canvas);
}
