import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';

import type { MeasureLine } from '@/contract/picture';
import type { Picture, Item } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import { mapCorners } from '@/core/measure/plane';
import { formatLength } from '@/core/measure/units';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, SignButton } from '@/parts/ui/Button';
import { AnyOf } from '@/parts/ui/Choices';
import { HeadBar, TwoParts } from '@/parts/ui/HeadBar';
import { Notice } from '@/parts/ui/Notice';
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
  const [lines, setLines] = useState<MeasureLine[]>(made?.made?.lines ?? []);
  const reference = useReference(picture, made?.made?.plane ?? null);
  const { found, plane, lengthOf } = reference;
  const { busy, trouble, run } = useAsyncAction();
  // As it was taken: the reference must not be cropped or whitened away.
  const { preview } = usePreview(useCallback(() => previewOf(picture.id, []), [picture.id]));
  const unknown = lines.filter((l) => !plane && item.measurements[l.measure] === undefined);

  const keep = () =>
    run(async () => {
      const lengths = lines.flatMap((l) => {
        const length = lengthOf(l);
        return length ? [[l.measure, length] as const] : [];
      });
      const now = plane ? keepLengths(item, Object.fromEntries(lengths)) : item;
      const onPlane =
        found && plane
          ? { reference: found.reference, corners: mapCorners(found.corners, (corner) => corner) }
          : null;
      await makeMeasurementPicture(now.id, picture.id, lines, onPlane);
      router.navigate(`/item/${item.id}`);
    });
  const text = (line: MeasureLine) => {
    const spec = specs.find((s) => s.id === line.measure);
    const mm = lengthOf(line)?.mm ?? item.measurements[line.measure];
    return `${spec?.name ?? ''} ${mm === undefined ? '?' : formatLength(mm, units)}`;
  };
  const controls = (
    <View style={{ gap: 12 }}>
      <References of={reference} isLooking={busy} onLook={(which) => run(() => reference.look(which))} />
      {reference.warningsFor(lines).map((w) => (
        <Notice key={w.code} tone="caution">
          {planeWarning(w)}
        </Notice>
      ))}
      <LineChoice picture={picture} specs={specs} lines={lines} onLines={setLines} />
      {lines.map((line) => (
        <LineLength key={line.measure} item={item} line={line} length={lengthOf(line)} />
      ))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button
        variant="main"
        icon="ruler"
        disabled={busy || lines.length === 0 || unknown.length > 0 || (found !== null && !plane)}
        onPress={keep}
      >
        {plane ? 'Keep lengths, make the picture' : 'Make the measurement picture'}
      </Button>
      {unknown.length > 0 ? (
        <Text variant="small" tone="soft">
          Type the tape’s figures, or choose what lies beside it.
        </Text>
      ) : null}
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
            onLines={setLines}
            onCorners={reference.setByHand}
          />
        }
        small={controls}
      />
    </View>
  );
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
  picture: Picture;
  specs: readonly MeasureSpec[];
  lines: readonly MeasureLine[];
  onLines: (lines: MeasureLine[]) => void;
}) {
  const { picture, specs, lines, onLines } = props;
  if (specs.length === 0)
    return (
      <Notice tone="info">Say first what kind of item it is: each kind has its own measurements.</Notice>
    );
  const drawn = lines.map((l) => l.measure);
  return (
    <AnyOf
      label="Measurements"
      title="Lines: drag their ends"
      options={specs.map((spec) => [spec.id, spec.name])}
      chosen={drawn}
      onChoose={(ids) =>
        onLines([
          ...lines.filter((l) => ids.includes(l.measure)),
          ...specs
            .filter((s) => ids.includes(s.id) && !drawn.includes(s.id))
            .map((s) => usualLine(s, picture)),
        ])
      }
    />
  );
}

/** How long a line is by the reference; without one a field for the tape's figure. */
function LineLength(props: {
  item: Item;
  line: MeasureLine;
  length: { mm: number; plusMinus: number } | null;
}) {
  const { item, line, length } = props;
  const units = useAttic((s) => s.settings.units);
  const spec = useKinds()
    .measures(item.kind)
    .find((s) => s.id === line.measure);
  if (!spec) return null;
  if (!length) return <MeasureField key={units} item={item} spec={spec} />;
  return (
    <Text figures>
      {`${spec.name}: ${formatLength(length.mm, units)} ± ` +
        `${formatLength(Math.max(1, length.plusMinus), units)}`}
    </Text>
  );
}

/** The line's usual place on the item's own box, as it was found in the picture. */
function usualLine(spec: MeasureSpec, picture: Picture): MeasureLine {
  const [x, y, w, h] =
    picture.exam && picture.steps.length === 0 && picture.exam.area > 0
      ? picture.exam.box
      : [0.1, 0.1, 0.8, 0.8];
  const [x1, y1, x2, y2] = spec.line;
  return { measure: spec.id, a: { x: x + w * x1, y: y + h * y1 }, b: { x: x + w * x2, y: y + h * y2 } };
}
