import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';

import type { MeasureLine, Point } from '@/contract/picture';
import type { Picture, Item } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import {
  lengthOn,
  FOUND_SIGMA,
  HAND_SIGMA,
  planeFrom,
  planeWarnings,
  REFERENCE_SIZES,
  type Corners,
  type Reference,
} from '@/core/measure/plane';
import { formatLength } from '@/core/measure/units';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { HeadBar, TwoParts } from '@/parts/ui/HeadBar';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { originalOf, previewOf } from '@/store/pictures/cleaning';
import { keepLengths, makeMeasurementPicture } from '@/store/pictures/measuring';
import { pictureWorker } from '@/store/pictures/pictureWorker';
import { useColours } from '@/theme/theme';
import { planeWarning } from '@/wording/pictures';

import { GoneNotice } from './GoneNotice';
import { MeasureField } from './MeasureField';
import { MeasureStage } from './MeasureStage';
import { pictureSize, usePictureSize } from './usePictureSize';
import { usePreview } from './usePreview';

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

interface Found {
  reference: Reference;
  corners: Corners;
  /** Set by a finger, so less exact. */
  byHand: boolean;
}

function Bench({ item, picture, made }: { item: Item; picture: Picture; made: Picture | undefined }) {
  const c = useColours();
  const router = useRouter();
  const units = useAttic((s) => s.settings.units);
  const size = usePictureSize(picture.id);
  const specs = useKinds().measures(item.kind);
  const [lines, setLines] = useState<MeasureLine[]>(made?.made?.lines ?? []);
  const [found, setFound] = useState<Found | null>(
    made?.made?.plane ? { ...made.made.plane, byHand: false } : null,
  );
  const [missing, setMissing] = useState<Reference | null>(null);
  const { busy, trouble, run } = useAsyncAction();
  // As it was taken: the reference must not be cropped or whitened away.
  const { preview } = usePreview(useCallback(() => previewOf(picture.id, []), [picture.id]));

  const look = (reference: Reference) =>
    run(async () => {
      setMissing(null);
      const corners = await pictureWorker().findSheet(await originalOf(picture.id), reference);
      if (corners) {
        // The press may have come before the page knew the size.
        const { width, height } = size ?? (await pictureSize(picture.id));
        const shares = corners.map(({ x, y }) => ({ x: x / width, y: y / height }));
        setFound({ reference, corners: shares as unknown as Corners, byHand: false });
      } else {
        setMissing(reference);
        setFound({ reference, corners: START, byHand: true });
      }
    });

  const px = (p: Point) => ({ x: p.x * (size?.width ?? 1), y: p.y * (size?.height ?? 1) });
  const plane =
    found &&
    size &&
    planeFrom(found.reference, found.corners.map(px) as unknown as Corners, size.width, size.height);
  const lengthOf = ({ a, b }: MeasureLine) =>
    plane ? lengthOn(plane, px(a), px(b), found?.byHand ? HAND_SIGMA : FOUND_SIGMA) : null;
  const warnings =
    plane && size
      ? planeWarnings(
          plane,
          size.width,
          size.height,
          lines.map((l) => ({ a: px(l.a), b: px(l.b) })),
        )
      : [];

  const toggle = (spec: MeasureSpec) =>
    setLines((all) =>
      all.some((l) => l.measure === spec.id)
        ? all.filter((l) => l.measure !== spec.id)
        : [...all, usualLine(spec, picture)],
    );
  const keep = () =>
    run(async () => {
      let now = item;
      if (plane) {
        const lengths = Object.fromEntries(
          lines.flatMap((l) => [[l.measure, lengthOf(l)] as const]).filter(([, v]) => v !== null),
        );
        now = keepLengths(item, lengths as Record<string, { mm: number; plusMinus: number }>);
      }
      await makeMeasurementPicture(
        now.id,
        picture.id,
        lines,
        found && plane ? { reference: found.reference, corners: [...found.corners] } : null,
      );
      router.navigate(`/item/${item.id}`);
    });
  const unknown = lines.filter((l) => !plane && item.measurements[l.measure] === undefined);

  const text = (line: MeasureLine) => {
    const spec = specs.find((s) => s.id === line.measure);
    const length = lengthOf(line);
    const mm = length?.mm ?? item.measurements[line.measure];
    return `${spec?.name ?? ''} ${mm === undefined ? '?' : formatLength(mm, units)}`;
  };
  const controls = (
    <View style={{ gap: 12 }}>
      <View style={{ gap: 6 }}>
        <Text variant="small" tone="soft">
          Lying flat beside it
        </Text>
        <ChipRow label="Reference">
          {(Object.keys(REFERENCE_SIZES) as Reference[]).map((reference) => (
            <Chip key={reference} on={found?.reference === reference} onPress={() => look(reference)}>
              {REFERENCE_SIZES[reference].name}
            </Chip>
          ))}
          <Chip on={found === null} onPress={() => (setFound(null), setMissing(null))}>
            Nothing: tape figures
          </Chip>
        </ChipRow>
      </View>
      {busy ? (
        <Text tone="soft" role="status">
          Looking…
        </Text>
      ) : null}
      {missing ? (
        <Notice tone="caution">{`No ${REFERENCE_SIZES[missing].name.toLocaleLowerCase('en')} was made out. Drag the four corners onto it, or lay it apart from the item and take the picture again.`}</Notice>
      ) : found && plane ? (
        <Text tone="good" role="status" figures>
          {`${REFERENCE_SIZES[found.reference].name} ${found.byHand ? 'set by hand' : 'found'}, camera tilted by ${Math.round(plane.tilt)}°`}
        </Text>
      ) : found && size ? (
        <Notice tone="trouble">
          These four can’t be the corners of a sheet: drag them to its corners, in order around.
        </Notice>
      ) : null}
      {warnings.map((w) => (
        <Notice key={w.code} tone="caution">
          {planeWarning(w)}
        </Notice>
      ))}
      {specs.length === 0 ? (
        <Notice tone="info">Say first what kind of item it is: each kind has its own measurements.</Notice>
      ) : (
        <View style={{ gap: 6 }}>
          <Text variant="small" tone="soft">
            Lines: drag their ends
          </Text>
          <ChipRow label="Measurements" radio={false}>
            {specs.map((spec) => (
              <Chip
                key={spec.id}
                role="checkbox"
                on={lines.some((l) => l.measure === spec.id)}
                onPress={() => toggle(spec)}
              >
                {spec.name}
              </Chip>
            ))}
          </ChipRow>
        </View>
      )}
      {lines.map((line) => {
        const spec = specs.find((s) => s.id === line.measure);
        const length = lengthOf(line);
        if (!spec) return null;
        return length ? (
          <Text key={line.measure} figures>
            {`${spec.name}: ${formatLength(length.mm, units)} ± ${formatLength(Math.max(1, length.plusMinus), units)}`}
          </Text>
        ) : (
          <MeasureField key={`${line.measure}-${units}`} item={item} spec={spec} />
        );
      })}
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
      <HeadBar>
        <SignButton
          icon="back"
          label="Back to the sheet"
          onPress={() => router.navigate(`/item/${item.id}`)}
        />
        <Text variant="heading" aria-level={1} style={{ flex: 1 }} numberOfLines={1}>
          Measure in the picture
        </Text>
      </HeadBar>
      <TwoParts
        label="Picture and lines"
        large={
          <MeasureStage
            preview={preview}
            lines={lines}
            text={text}
            corners={found?.corners ?? null}
            onLines={setLines}
            onCorners={(corners) => {
              setMissing(null);
              setFound((f) => f && { ...f, corners, byHand: true });
            }}
          />
        }
        small={controls}
      />
    </View>
  );
}

/** Where corners wait to be dragged when nothing was found. */
const START: Corners = [
  { x: 0.1, y: 0.08 },
  { x: 0.28, y: 0.08 },
  { x: 0.28, y: 0.2 },
  { x: 0.1, y: 0.2 },
];

/** The line's usual place on the item's own box, as it was found in the picture. */
function usualLine(spec: MeasureSpec, picture: Picture): MeasureLine {
  const [x, y, w, h] =
    picture.exam && picture.steps.length === 0 && picture.exam.area > 0
      ? picture.exam.box
      : [0.1, 0.1, 0.8, 0.8];
  const [x1, y1, x2, y2] = spec.line;
  return { measure: spec.id, a: { x: x + w * x1, y: y + h * y1 }, b: { x: x + w * x2, y: y + h * y2 } };
}
