import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback } from 'react';
import { View } from 'react-native';

import type { MeasureLine } from '@/contract/picture';
import type { Picture, Item } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import { formatLength, type Units } from '@/core/measure/units';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, SignButton } from '@/parts/ui/Button';
import { AnyOf } from '@/parts/ui/Choices';
import { HeadBar, TwoParts } from '@/parts/ui/HeadBar';
import { Notice } from '@/parts/ui/Notice';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { previewOf } from '@/store/pictures/cleaning';
import { keepLengths, makeMeasurementPicture } from '@/store/pictures/measuring';
import { useColours } from '@/theme/theme';
import { planeWarning } from '@/wording/pictures';

import { GoneNotice } from './GoneNotice';
import { MeasureField } from './MeasureField';
import { MeasureStage } from './MeasureStage';
import { References } from './References';
import { useLines } from './useLines';
import { usePreview } from './usePreview';
import { useReference } from './useReference';

/**
 * Measuring an item in its picture beside a card or sheet of known size, or drawing a tape's figures on it.
 */
export function MeasureInPicture() {
  const { id, picture: pictureId } = useLocalSearchParams<{ id: string; picture: string }>();
  const item = useAttic((s) => s.items[id]);
  const picture = useAttic((s) => s.pictures[pictureId]);
  const made = useAttic((s) =>
    Object.values(s.pictures).find((p) => p.made?.from === pictureId && p.itemId === id),
  );
  if (!item || !picture || picture.made || picture.clip) return <GoneNotice itemId={item?.id} />;
  return <Bench key={picture.id} item={item} picture={picture} made={made} />;
}

function Bench({ item, picture, made }: { item: Item; picture: Picture; made: Picture | undefined }) {
  const c = useColours();
  const router = useRouter();
  const units = useAttic((s) => s.settings.units);
  const specs = useKinds().measures(item.kind);
  const laid = useLines(picture, specs, made?.made?.lines, made ? [] : laidLines(item, picture.id));
  const { lines, looked } = laid;
  const reference = useReference(picture, made ? (made.made?.plane ?? null) : picture.beside);
  const { found, plane, lengthOf } = reference;
  const action = useAsyncAction();
  // As it was taken: the reference must not be cropped or whitened away.
  const { preview } = usePreview(useCallback(() => previewOf(picture.id, []), [picture.id]));
  const unseen = plane ? lines.filter((l) => !looked.has(l.measure)) : [];

  const text = (line: MeasureLine) => {
    const name = specs.find((s) => s.id === line.measure)?.name ?? '';
    const mm = lengthOf(line)?.mm ?? item.measurements[line.measure];
    return `${name} ${figureOf(mm, units, unseen.includes(line))}`;
  };
  const controls = (
    <View style={{ gap: 12 }}>
      <References
        of={reference}
        isLooking={action.busy}
        onLook={(which) => action.run(() => reference.look(which))}
      />
      {reference.warningsFor(lines).map((w) => (
        <Notice key={w.code} tone="caution">
          {planeWarning(w)}
        </Notice>
      ))}
      <LineChoice
        specs={specs}
        chosen={laid.chosen}
        onChoose={(ids) => action.run(() => laid.chooseLines(ids, found?.known ? found.corners : null))}
      />
      {laid.looseEnds ? <LooseEnds /> : null}
      {lines.map((line) => (
        <LineLength
          key={line.measure}
          item={item}
          line={line}
          length={lengthOf(line)}
          isSeen={looked.has(line.measure)}
          onSeen={() => laid.seen(line.measure)}
        />
      ))}
      {action.trouble ? <Notice tone="trouble">{action.trouble}</Notice> : null}
      <Keep
        item={item}
        picture={picture}
        lines={lines}
        unseen={unseen.length}
        of={reference}
        action={action}
      />
    </View>
  );
  return (
    <View style={{ flex: 1, backgroundColor: c.ground }} role="main" aria-label="Measure">
      <Head onBack={() => router.navigate(`/item/${item.id}`)} />
      <TwoParts
        label="Picture and lines"
        large={
          <MeasureStage
            preview={preview}
            lines={lines}
            text={text}
            corners={found?.corners ?? null}
            onLines={laid.drag}
            onCorners={reference.setByHand}
          />
        }
        small={controls}
      />
    </View>
  );
}

/** Lines that were laid on a picture by themselves, and wait to be looked at. */
function laidLines(item: Item, pictureId: string): MeasureLine[] {
  return item.readings.flatMap(({ laid, field, pictureId: of }) =>
    laid && of === pictureId ? { measure: field.slice('measure:'.length), a: laid.a, b: laid.b } : [],
  );
}

/** A line that nobody has looked at measures nothing yet. */
function figureOf(mm: number | undefined, units: Units, isUnseen: boolean): string {
  return mm === undefined ? '?' : `${formatLength(mm, units)}${isUnseen ? '?' : ''}`;
}

/** Said when a thing's own edges are not known. */
function LooseEnds() {
  return (
    <Notice tone="caution">
      The item can’t be told well from what it lies on: the lines lie just anywhere. Drag their ends to its
      edges.
    </Notice>
  );
}

/** Keeps what was measured and draws it; says what is missing until it can. */
function Keep(props: {
  item: Item;
  picture: Picture;
  lines: readonly MeasureLine[];
  /** Lines that nobody has looked at. */
  unseen: number;
  of: ReturnType<typeof useReference>;
  action: ReturnType<typeof useAsyncAction>;
}) {
  const { item, picture, lines, unseen } = props;
  const { found, plane, kept, lengthOf } = props.of;
  const { busy, run } = props.action;
  const router = useRouter();
  const unknown = lines.filter((l) => !plane && item.measurements[l.measure] === undefined).length;
  const isGuess = found !== null && !plane;
  const keep = () =>
    run(async () => {
      const lengths = lines.flatMap((l) => {
        const length = lengthOf(l);
        return length ? [[l.measure, length] as const] : [];
      });
      const now = plane ? keepLengths(item, Object.fromEntries(lengths)) : item;
      await makeMeasurementPicture(now.id, picture.id, lines, kept);
      router.navigate(`/item/${item.id}`);
    });
  return (
    <>
      <Button
        variant="main"
        icon="ruler"
        disabled={busy || lines.length === 0 || unknown > 0 || unseen > 0 || isGuess}
        onPress={keep}
      >
        {plane ? 'Keep lengths, make the picture' : 'Make the measurement picture'}
      </Button>
      <Said tone="soft" words={whatIsMissing({ unseen, unknown, isGuess })} />
    </>
  );
}

/** Why nothing can be kept yet. */
function whatIsMissing(of: { unseen: number; unknown: number; isGuess: boolean }): string | null {
  if (of.isGuess) return 'Nothing is measured until the corners are right.';
  if (of.unknown > 0) return 'Type the tape’s figures, or choose what lies beside it.';
  if (of.unseen > 0)
    return `Look at ${of.unseen === 1 ? 'the line' : 'each line'}: drag its ends, or say that it lies right.`;
  return null;
}

function Head({ onBack }: { onBack: () => void }) {
  return (
    <HeadBar>
      <SignButton icon="back" label="Back to the sheet" onPress={onBack} />
      <Text variant="heading" aria-level={1} style={{ flex: 1 }} numberOfLines={1}>
        Measure in the picture
      </Text>
    </HeadBar>
  );
}

/** Which measurements of its kind are drawn. */
function LineChoice(props: {
  specs: readonly MeasureSpec[];
  chosen: readonly string[];
  onChoose: (ids: readonly string[]) => void;
}) {
  const { specs, chosen, onChoose } = props;
  if (specs.length === 0)
    return (
      <Notice tone="info">Say first what kind of item it is: each kind has its own measurements.</Notice>
    );
  return (
    <AnyOf
      label="Measurements"
      title="Lines: drag their ends"
      options={specs.map((spec) => [spec.id, spec.name])}
      chosen={chosen}
      onChoose={onChoose}
    />
  );
}

/** How long a line is by the reference, once it was looked at; without one a field for the tape's figure. */
function LineLength(props: {
  item: Item;
  line: MeasureLine;
  length: { mm: number; plusMinus: number } | null;
  isSeen: boolean;
  onSeen: () => void;
}) {
  const { item, line, length, isSeen, onSeen } = props;
  const units = useAttic((s) => s.settings.units);
  const spec = useKinds()
    .measures(item.kind)
    .find((s) => s.id === line.measure);
  if (!spec) return null;
  if (!length) return <MeasureField key={units} item={item} spec={spec} />;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
      <Text figures style={{ flexGrow: 1 }} tone={isSeen ? undefined : 'soft'}>
        {`${spec.name}: ${formatLength(length.mm, units)} ± ` +
          `${formatLength(Math.max(1, length.plusMinus), units)}${isSeen ? '' : '?'}`}
      </Text>
      <Chip role="checkbox" on={isSeen} label={`${spec.name} lies right`} onPress={onSeen}>
        Lies right
      </Chip>
    </View>
  );
}
