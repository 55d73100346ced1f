import { loadImage, type Image } from '@napi-rs/canvas';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Pictures that others made; where from and under which licence stands in this folder's README. */
export interface Art {
  /** Things with their alpha, about 560 pixels on the longer side. */
  things: readonly { name: string; image: Image }[];
  textures: Record<'brick' | 'grass' | 'gravel', Image>;
}

const FOLDER = join(__dirname, 'art');

export async function loadArt(): Promise<Art> {
  const image = (file: string) => loadImage(readFileSync(join(FOLDER, file)));
  const files = readdirSync(FOLDER).sort();
  const things = files.filter((file) => file.endsWith('.png'));
  return {
    things: await Promise.all(
      things.map(async (file) => ({ name: file.replace('.png', ''), image: await image(file) })),
    ),
    textures: {
      brick: await image('brick.jpg'),
      grass: await image('grass.jpg'),
      gravel: await image('gravel.jpg'),
    },
  };
}
