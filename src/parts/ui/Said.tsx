import { Text } from './Text';

/** What came of something, said aloud as well; nothing while there is nothing to say. */
export function Said({ words, tone = 'good' }: { words: string | null; tone?: 'good' | 'soft' }) {
  if (words === null) return null;
  return (
    <Text tone={tone} role="status">
      {words}
    </Text>
  );
}
