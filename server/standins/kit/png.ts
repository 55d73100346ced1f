import { crc32, deflateSync } from 'node:zlib';

/** Pixels of a picture that is drawn by a service itself: three bytes each, row by row. */
export interface Drawn {
  width: number;
  height: number;
  data: Uint8Array;
}

/** A picture as a PNG file (W3C Portable Network Graphics, 8-bit truecolour, no filter, one chunk). */
export function pngOf({ width, height, data }: Drawn): Uint8Array<ArrayBuffer> {
  const rows = new Uint8Array(height * (1 + 3 * width));
  for (let y = 0; y < height; y += 1)
    rows.set(data.subarray(3 * width * y, 3 * width * (y + 1)), y * (1 + 3 * width) + 1);
  const head = new DataView(new ArrayBuffer(13));
  head.setUint32(0, width);
  head.setUint32(4, height);
  head.setUint8(8, 8);
  head.setUint8(9, 2);
  const signature = Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10);
  const parts = [
    signature,
    chunk('IHDR', new Uint8Array(head.buffer)),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', new Uint8Array()),
  ];
  return Uint8Array.from(Buffer.concat(parts));
}

function chunk(type: string, data: Uint8Array): Uint8Array {
  const out = Buffer.alloc(12 + data.length);
  out.writeUInt32BE(data.length, 0);
  out.write(type, 4, 'latin1');
  out.set(data, 8);
  out.writeUInt32BE(crc32(out.subarray(4, 8 + data.length)), 8 + data.length);
  return out;
}
