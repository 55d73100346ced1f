import { readFileSync } from 'node:fs';

/** One look that things sold before had: how it is told from others, what it was called, what it went for. */
export interface Look {
  /** Looks of one design differ by their colours alone. */
  design: number;
  /** Mean L*, a*, b* of the thing. */
  colour: [number, number, number];
  /** What was sold so, in its sellers' words. */
  sold: { words: string; by: string; what: string; colour: string }[];
  /** What it went for, the least and the most, euro cents. */
  cents: [number, number];
  /** Where, and how often beside the others. */
  places: Record<string, number>;
  /** A small JPEG. */
  picture: Uint8Array<ArrayBuffer>;
}

/** Everything that the desk compares with. */
export interface Holdings {
  /** Directions that tell designs apart, each as long as the features; `mean` is where they start. */
  directions: Float32Array[];
  mean: Float32Array;
  /** Where each design is along the directions. */
  centres: Float32Array[];
  /** What is farther than that from every design is like none of them. */
  line: number;
  looks: Look[];
}

interface Head {
  features: number;
  directions: number;
  designs: number;
  line: number;
  looks: (Omit<Look, 'picture'> & { bytes: number })[];
}

/**
 * The file: the head's length (32 bits, little-endian), the head in JSON filled up with spaces to a multiple
 * of four, then as 32-bit floats the mean, the directions and the centres, then the pictures one after the
 * other.
 */
export function readHoldings(file: string): Holdings {
  const bytes = readFileSync(file);
  const long = bytes.readUInt32LE(0);
  // Our own file, and held against what wrote it by a test.
  const head = JSON.parse(bytes.toString('utf8', 4, 4 + long)) as Head;
  let at = 4 + long;
  const floats = (n: number) => {
    const list = Float32Array.from({ length: n }, (_, i) => bytes.readFloatLE(at + 4 * i));
    at += 4 * n;
    return list;
  };
  const mean = floats(head.features);
  const directions = Array.from({ length: head.directions }, () => floats(head.features));
  const centres = Array.from({ length: head.designs }, () => floats(head.directions));
  const looks = head.looks.map(({ bytes: size, ...look }) => {
    const picture = Uint8Array.from(bytes.subarray(at, at + size));
    at += size;
    return { ...look, picture };
  });
  return { mean, directions, centres, line: head.line, looks };
}

export function holdingsFile({ mean, directions, centres, line, looks }: Holdings): Uint8Array {
  const head: Head = {
    features: mean.length,
    directions: directions.length,
    designs: centres.length,
    line,
    looks: looks.map(({ picture, ...look }) => ({ ...look, bytes: picture.length })),
  };
  const words = Buffer.from(JSON.stringify(head));
  const padded = Buffer.concat([words, Buffer.from(' '.repeat((4 - (words.length % 4)) % 4))]);
  const size = Buffer.alloc(4);
  size.writeUInt32LE(padded.length);
  const floats = [mean, ...directions, ...centres].map((list) => {
    const part = Buffer.alloc(4 * list.length);
    list.forEach((v, i) => part.writeFloatLE(v, 4 * i));
    return part;
  });
  return Buffer.concat([size, padded, ...floats, ...looks.map(({ picture }) => picture)]);
}
