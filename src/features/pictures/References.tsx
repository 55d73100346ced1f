import { View } from 'react-native';

import { keysOf } from '@/contract/fields';
import { REFERENCE_SIZES, type Reference } from '@/core/measure/plane';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';

import type { useReference } from './useReference';

const NAMES = keysOf(REFERENCE_SIZES).map((reference) => ({ reference, ...REFERENCE_SIZES[reference] }));

/** What of known size lies beside the item, and how well it was made out. */
export function References(props: {
  of: ReturnType<typeof useReference>;
  isLooking: boolean;
  onLook: (reference: Reference) => void;
}) {
  const { found, missing, plane, isCrooked, clear } = props.of;
  return (
    <>
      <View style={{ gap: 6 }}>
        <Text variant="small" tone="soft">
          Lying flat beside it
        </Text>
        <ChipRow label="Reference">
          {NAMES.map(({ reference, name }) => (
            <Chip key={reference} on={found?.reference === reference} onPress={() => props.onLook(reference)}>
              {name}
            </Chip>
          ))}
          <Chip on={found === null} onPress={clear}>
            Nothing: tape figures
          </Chip>
        </ChipRow>
      </View>
      {props.isLooking ? (
        <Text tone="soft" role="status">
          Looking…
        </Text>
      ) : null}
      {missing ? (
        <Notice tone="caution">
          {`No ${REFERENCE_SIZES[missing].name.toLocaleLowerCase('en')} was made out. Drag the four ` +
            'corners onto it, or lay it apart from the item and take the picture again.'}
        </Notice>
      ) : found && plane ? (
        <Text tone="good" role="status" figures>
          {`${REFERENCE_SIZES[found.reference].name} ${found.byHand ? 'set by hand' : 'found'}, ` +
            `camera tilted by ${Math.round(plane.tilt)}°`}
        </Text>
      ) : isCrooked ? (
        <Notice tone="trouble">
          These four can’t be the corners of a sheet: drag them to its corners, in order around.
        </Notice>
      ) : null}
    </>
  );
}
