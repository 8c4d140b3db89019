/** A picture as it was taken: rows of red, green and blue, 0 to 255 each (sRGB), from the upper left. */
export interface Photo {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** A channel at a place between pixels, straight between its four neighbours; x and y count from the corner of the first pixel. */
export function channelAt(photo: Photo, x: number, y: number, channel: 0 | 1 | 2): number {
  const { width, height, data } = photo;
  const fx = Math.min(width - 1.001, Math.max(0, x - 0.5));
  const fy = Math.min(height - 1.001, Math.max(0, y - 0.5));
  const [x0, y0] = [Math.floor(fx), Math.floor(fy)];
  const [u, v] = [fx - x0, fy - y0];
  const at = 3 * (y0 * width + x0) + channel;
  const below = at + 3 * width;
  return (
    (data[at]! * (1 - u) + data[at + 3]! * u) * (1 - v) + (data[below]! * (1 - u) + data[below + 3]! * u) * v
  );
}

export const isInside = (photo: Photo, x: number, y: number): boolean =>
  x >= 0 && y >= 0 && x <= photo.width && y <= photo.height;
