import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';

import type { EditStep } from '@/contract/picture';
import type { Picture, Item } from '@/contract/records';
import { counted, plural } from '@/core/language/plural';
import { lookOf, type Look } from '@/core/picture/look';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { HeadBar, TwoParts } from '@/parts/ui/HeadBar';
import { Notice } from '@/parts/ui/Notice';
import { Said } from '@/parts/ui/Said';
import { Slide } from '@/parts/ui/Slide';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { canCutOut, cleaning, previewOf, type Automatic, type Onlooker } from '@/store/pictures/cleaning';
import { useColours } from '@/theme/theme';

import { FindingLine } from './FindingLine';
import { GoneNotice } from './GoneNotice';
import { MaskBrush } from './MaskBrush';
import { PlainStage } from './PlainStage';
import { usePreview } from './usePreview';

/** Cleaning up one picture. The original stays; every step can be taken back and done again. */
export function CleanUp() {
  const { id, picture: pictureId } = useLocalSearchParams<{ id: string; picture: string }>();
  const item = useAttic((s) => s.items[id]);
  const picture = useAttic((s) => s.pictures[pictureId]);
  if (!item || !picture || picture.made || picture.clip) return <GoneNotice itemId={item?.id} />;
  return <Bench key={picture.id} item={item} picture={picture} />;
}

type Tool = 'white' | 'light' | 'crop' | 'straighten' | 'turn' | 'brush';

function Bench({ item, picture }: { item: Item; picture: Picture }) {
  const c = useColours();
  const { busy, trouble, run } = useAsyncAction();
  const [tool, setTool] = useState<Tool | null>(null);
  const [rest, setRest] = useState<string | null>(null);
  const { id, steps } = picture;
  const look = lookOf(steps);
  const brushing = tool === 'brush';
  const { preview, show } = usePreview(
    useCallback(() => previewOf(id, steps, brushing), [id, steps, brushing]),
  );
  const act = (work: (onlooker: Onlooker) => Promise<unknown>) => {
    setRest(null);
    run(() => work({ ghost: brushing, tell: show }));
  };
  const step = (next: EditStep) => act((tell) => cleaning.step(id, next, tell));
  const auto = (what: Automatic) => act((tell) => cleaning.automatic(id, what, tell));
  const position = item.pictureIds.indexOf(id) + 1;

  const choose = (next: Tool) => {
    setTool(next);
    const does = atOnce(next, look);
    if (typeof does === 'string') auto(does);
    else if (does) step(does);
  };

  const picturePart = (
    <View style={{ gap: 4 }}>
      {brushing ? (
        <MaskBrush
          preview={preview}
          picture={picture}
          look={look}
          busy={busy}
          onStroke={(stroke) => step({ type: 'stroke', stroke })}
        />
      ) : (
        <PlainStage preview={preview} alt={`Picture ${position}, cleaned up`} />
      )}
      <FindingLine item={item} picture={picture} />
    </View>
  );
  const tools = (
    <View style={{ gap: 12 }}>
      <Tools tool={tool} busy={busy} onChoose={choose} />
      <Choices tool={tool} look={look} busy={busy} onStep={step} onAuto={auto} />
      {look.white && look.strokes.length === 0 ? (
        <CutOutDoubt pictureId={id} onDraw={() => choose('brush')} />
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <MoreSteps
        item={item}
        picture={picture}
        busy={busy}
        run={run}
        rest={rest}
        onRest={setRest}
        onReset={() => act((tell) => cleaning.reset(id, tell))}
      />
    </View>
  );
  return (
    <View style={{ flex: 1, backgroundColor: c.ground }} role="main" aria-label="Clean up">
      <Head
        item={item}
        picture={picture}
        busy={busy}
        onUndo={() => act((tell) => cleaning.undo(id, tell))}
        onRedo={() => act((tell) => cleaning.redo(id, tell))}
      />
      <TwoParts label="Picture and tools" large={picturePart} small={tools} />
    </View>
  );
}

/** Said where the item can't be told well from what it lies on, until somebody has drawn round it. */
function CutOutDoubt({ pictureId, onDraw }: { pictureId: string; onDraw: () => void }) {
  const [isSure, setSure] = useState(true);
  useEffect(() => {
    let wanted = true;
    // Where the bytes are gone the stage says so.
    void canCutOut(pictureId).then(
      (sure) => wanted && setSure(sure),
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [pictureId]);
  if (isSure) return null;
  return (
    <>
      <Notice tone="caution">
        This can’t be cut out well: the item looks much like what it lies on. Draw round it, or lay it on
        something else and take the picture again.
      </Notice>
      <Button icon="brush" onPress={onDraw}>
        Draw round it
      </Button>
    </>
  );
}

function Tools(props: { tool: Tool | null; busy: boolean; onChoose: (tool: Tool) => void }) {
  const { tool, busy, onChoose } = props;
  return (
    <Slide label="Tools">
      {TOOLS.map(([name, words, icon]) => (
        <Button
          key={name}
          icon={icon}
          variant={tool === name ? 'main' : 'plain'}
          disabled={busy}
          onPress={() => onChoose(name)}
          style={{ flexShrink: 0, paddingHorizontal: 12 }}
        >
          {words}
        </Button>
      ))}
    </Slide>
  );
}

/** What a tool does where nothing was done yet; a second tap only shows its choices. */
function atOnce(tool: Tool, look: Look): Automatic | EditStep | null {
  if (tool === 'turn') return { type: 'turn', quarters: 1 };
  if (tool === 'brush') return look.white ? null : 'white';
  const done = { white: look.white, light: look.gains, crop: look.crop, straighten: look.degrees }[tool];
  return done ? null : tool;
}

/** The same to all other pictures, and the way back to how it was taken. */
function MoreSteps(props: {
  item: Item;
  picture: Picture;
  busy: boolean;
  run: (work: () => Promise<unknown>) => void;
  /** How far the rest is. */
  rest: string | null;
  onRest: (words: string) => void;
  onReset: () => void;
}) {
  const { item, busy, run, rest, onRest, onReset } = props;
  const { id, steps } = props.picture;
  return (
    <>
      <Said words={rest} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button
          disabled={busy || steps.length === 0 || item.pictureIds.length < 2}
          onPress={() => run(() => sameToTheRest(item, id, onRest))}
          style={{ flexGrow: 1 }}
        >
          Do the same to the rest
        </Button>
        <Button
          variant="quiet"
          disabled={busy || steps.length === 0}
          onPress={onReset}
          style={{ flexGrow: 1 }}
        >
          As it was taken
        </Button>
      </View>
    </>
  );
}

/** The same steps to all other pictures of the item; tells how far it is. */
async function sameToTheRest(item: Item, id: string, tell: (words: string) => void): Promise<void> {
  const { done, unsure } = await cleaning.sameToTheRest(item, id, (n, of) => tell(`Picture ${n} of ${of}…`));
  const left =
    unsure > 0
      ? ` ${counted(unsure, 'picture')} that can’t be cut out well stayed: draw round the item there.`
      : '';
  tell(
    done + unsure === 0
      ? 'There is no other picture of all of it.'
      : `Done to ${plural(done, 'one other', `${done} others`)}; close-ups were left as they are.${left}`,
  );
}

/** The way back, which picture it is, what is kept, and steps back and forth. */
function Head(props: {
  item: Item;
  picture: Picture;
  busy: boolean;
  onUndo: () => void;
  onRedo: () => void;
}) {
  const { item, busy } = props;
  const { id, steps, undone } = props.picture;
  const router = useRouter();
  return (
    <HeadBar>
      <SignButton icon="back" label="Back to the sheet" onPress={() => router.navigate(`/item/${item.id}`)} />
      <View style={{ flex: 1 }}>
        <Text variant="heading" aria-level={1} numberOfLines={1}>
          {`Clean up picture ${item.pictureIds.indexOf(id) + 1}`}
        </Text>
        <Text variant="small" tone="soft" role="status">
          {busy
            ? 'Working…'
            : steps.length === 0
              ? 'As it was taken'
              : `Kept, ${counted(steps.length, 'step')}`}
        </Text>
      </View>
      <SignButton
        icon="undo"
        label="Undo last step"
        disabled={busy || steps.length === 0}
        onPress={props.onUndo}
      />
      <SignButton icon="redo" label="Redo" disabled={busy || undone.length === 0} onPress={props.onRedo} />
    </HeadBar>
  );
}

const TOOLS = [
  ['white', 'White', 'write'],
  ['light', 'Light', 'light'],
  ['crop', 'Square', 'crop'],
  ['straighten', 'Straighten', 'ruler'],
  ['turn', 'Turn', 'turn'],
  ['brush', 'Correct edge', 'brush'],
] as const;

/** How far one press straightens, degrees. */
const NUDGE = 0.5;
const MOST = 15;

function Choices(props: {
  tool: Tool | null;
  look: Look;
  busy: boolean;
  onStep: (step: EditStep) => void;
  onAuto: (what: Automatic) => void;
}) {
  const { tool, look, busy, onStep, onAuto } = props;
  switch (tool) {
    case 'white':
      return (
        <ChipRow label="Background">
          {(
            [
              ['kept', 'White, shadow kept'],
              ['dropped', 'White, no shadow'],
              [null, 'As it is'],
            ] as const
          ).map(([shadow, words]) => (
            <Chip key={words} on={look.white === shadow} onPress={() => onStep({ type: 'white', shadow })}>
              {words}
            </Chip>
          ))}
        </ChipRow>
      );
    case 'light':
      return (
        <ChipRow label="Light">
          <Chip on={look.gains !== null} onPress={() => onAuto('light')}>
            From the background
          </Chip>
          <Chip on={look.gains === null} onPress={() => onStep({ type: 'light', gains: null })}>
            As it is
          </Chip>
        </ChipRow>
      );
    case 'crop':
      return (
        <ChipRow label="Frame">
          <Chip on={look.crop !== null} onPress={() => onAuto('crop')}>
            Square, 80 % filled
          </Chip>
          <Chip on={look.crop === null} onPress={() => onStep({ type: 'crop', to: null })}>
            All of it
          </Chip>
        </ChipRow>
      );
    case 'straighten': {
      const by = (degrees: number) =>
        onStep({ type: 'straighten', degrees: Math.max(-MOST, Math.min(MOST, look.degrees + degrees)) });
      return (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Button label="Half a degree to the left" disabled={busy} onPress={() => by(-NUDGE)}>
            −
          </Button>
          <Text figures style={{ minWidth: 64, textAlign: 'center' }} role="status">
            {`${look.degrees.toFixed(1)}°`}
          </Text>
          <Button label="Half a degree to the right" disabled={busy} onPress={() => by(NUDGE)}>
            +
          </Button>
          <Button variant="quiet" disabled={busy} onPress={() => onAuto('straighten')}>
            By itself
          </Button>
        </View>
      );
    }
    default:
      return tool ? null : (
        <Text tone="soft">
          Each tool does its work at once; nothing is lost, every step can be taken back.
        </Text>
      );
  }
}
