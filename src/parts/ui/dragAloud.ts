import type { Active, DndContextProps, Over } from '@dnd-kit/core';

/**
 * What is said aloud while something is dragged: by the names people know it by.
 *
 * @param nameOf what is dragged
 * @param placeOf what it is dragged onto: "the group Winter"
 */
export function dragAloud(
  nameOf: (active: Active) => string,
  placeOf: (over: Over) => string,
): DndContextProps['accessibility'] {
  return {
    announcements: {
      onDragStart: ({ active }) => `${nameOf(active)} is held.`,
      onDragOver: ({ active, over }) => (over ? `${nameOf(active)} is over ${placeOf(over)}.` : undefined),
      onDragEnd: ({ active, over }) =>
        over ? `${nameOf(active)} is let go over ${placeOf(over)}.` : `${nameOf(active)} stays where it was.`,
      onDragCancel: ({ active }) => `${nameOf(active)} stays where it was.`,
    },
  };
}

/** For what is dragged, and what it is dragged onto, where each carries what it is called aloud. */
export const ALOUD_BY_NAME = dragAloud(
  ({ data }) => nameIn(data.current, 'It'),
  ({ data }) => nameIn(data.current, 'another place'),
);

function nameIn(data: Record<string, unknown> | undefined, otherwise: string): string {
  return typeof data?.aloud === 'string' ? data.aloud : otherwise;
}
