import { View } from 'react-native';

import { keysOf } from '@/contract/fields';
import { REFERENCE_SIZES, type Reference } from '@/core/measure/plane';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { sheetTrouble, unsureSheet } from '@/wording/pictures';

import type { useReference } from './useReference';

const NAMES = keysOf(REFERENCE_SIZES).map((reference) => ({ reference, ...REFERENCE_SIZES[reference] }));

/** What of known size lies beside the item, and how well it was made out. */
export function References(props: {
  of: ReturnType<typeof useReference>;
  isLooking: boolean;
  onLook: (reference: Reference) => void;
}) {
  const { found, clear } = props.of;
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
      {props.isLooking ? null : <HowFound of={props.of} />}
    </>
  );
}

/** Whether figures follow from it, and what to do when they do not. */
function HowFound({ of }: { of: ReturnType<typeof useReference> }) {
  const { found, plane, trouble, mayConfirm, confirm } = of;
  if (!found) return null;
  const name = REFERENCE_SIZES[found.reference].name;
  if (!found.known)
    return (
      <>
        <Notice tone="caution">{unsureSheet(found.reference, found.doubts)}</Notice>
        <Button disabled={!mayConfirm} onPress={confirm}>
          The corners are right
        </Button>
      </>
    );
  if (trouble) return <Notice tone="trouble">{sheetTrouble(trouble)}</Notice>;
  return plane ? (
    <Text tone="good" role="status" figures>
      {`${name} ${found.sigmas ? 'found' : 'set by hand'}, camera tilted by ${Math.round(plane.tilt)}°`}
    </Text>
  ) : null;
}
