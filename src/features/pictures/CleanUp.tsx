import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';

import type { Step } from '@/contract/picture';
import type { Picture, Thing } from '@/contract/records';
import { lookOf, type Look } from '@/core/picture/look';
import { HeadBar, TwoParts } from '@/parts/HeadBar';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press, SignPress } from '@/parts/Press';
import { Slide } from '@/parts/Slide';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { cleaning, previewOf, type Automatic, type Onlooker } from '@/store/cleaning';
import { useColours } from '@/theme/theme';

import { useDo } from '../shell/useDo';
import { FindingLine } from './FindingLine';
import { GoneNotice } from './GoneNotice';
import { MaskBrush } from './MaskBrush';
import { PlainStage } from './PlainStage';
import { usePreview } from './usePreview';

/** Cleaning up one picture. The original stays; every step can be taken back and done again. */
export function CleanUp() {
  const { id, picture: pictureId } = useLocalSearchParams<{ id: string; picture: string }>();
  const thing = useAttic((s) => s.things[id]);
  const picture = useAttic((s) => s.pictures[pictureId]);
  if (!thing || !picture || picture.made || picture.clip) return <GoneNotice thingId={thing?.id} />;
  return <Bench key={picture.id} thing={thing} picture={picture} />;
}

type Tool = 'white' | 'light' | 'crop' | 'straighten' | 'turn' | 'brush';

function Bench({ thing, picture }: { thing: Thing; picture: Picture }) {
  const c = useColours();
  const router = useRouter();
  const { busy, trouble, run } = useDo();
  const [tool, setTool] = useState<Tool | null>(null);
  const [rest, setRest] = useState<string | null>(null);
  const { id, steps, undone } = picture;
  const look = lookOf(steps);
  const brushing = tool === 'brush';
  const { preview, show } = usePreview(
    useCallback(() => previewOf(id, steps, brushing), [id, steps, brushing]),
  );
  const act = (work: (onlooker: Onlooker) => Promise<unknown>) => {
    setRest(null);
    run(() => work({ ghost: brushing, tell: show }));
  };
  const step = (next: Step) => act((tell) => cleaning.step(id, next, tell));
  const auto = (what: Automatic) => act((tell) => cleaning.automatic(id, what, tell));
  const position = thing.pictureIds.indexOf(id) + 1;

  const choose = (next: Tool) => {
    setTool(next);
    // The tool does its work at once where nothing was done yet; a second tap only shows its choices.
    if (next === 'white' && !look.white) auto('white');
    if (next === 'light' && !look.gains) auto('light');
    if (next === 'crop' && !look.crop) auto('crop');
    if (next === 'straighten' && !look.degrees) auto('straighten');
    if (next === 'turn') step({ do: 'turn', quarters: 1 });
    if (next === 'brush' && !look.white) auto('white');
  };

  const picturePart = (
    <View style={{ gap: 4 }}>
      {brushing ? (
        <MaskBrush
          preview={preview}
          picture={picture}
          look={look}
          busy={busy}
          onStroke={(stroke) => step({ do: 'stroke', stroke })}
        />
      ) : (
        <PlainStage preview={preview} alt={`Picture ${position}, cleaned up`} />
      )}
      <FindingLine thing={thing} picture={picture} />
    </View>
  );
  const tools = (
    <View style={{ gap: 12 }}>
      <Slide label="Tools">
        {TOOLS.map(([name, words, icon]) => (
          <Press
            key={name}
            icon={icon}
            kind={tool === name ? 'main' : 'plain'}
            disabled={busy}
            onPress={() => choose(name)}
            style={{ flexShrink: 0, paddingHorizontal: 12 }}
          >
            {words}
          </Press>
        ))}
      </Slide>
      <Choices tool={tool} look={look} busy={busy} onStep={step} onAuto={auto} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {rest ? (
        <Words tone="good" role="status">
          {rest}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press
          disabled={busy || steps.length === 0 || thing.pictureIds.length < 2}
          onPress={() =>
            run(async () => {
              const n = await cleaning.sameToTheRest(thing, id, (done, of) =>
                setRest(`Picture ${done} of ${of}…`),
              );
              setRest(
                n === 0
                  ? 'There is no other picture of all of it.'
                  : `Done to ${n === 1 ? 'one other' : `${n} others`}; close-ups were left as they are.`,
              );
            })
          }
          style={{ flexGrow: 1 }}
        >
          Do the same to the rest
        </Press>
        <Press
          kind="quiet"
          disabled={busy || steps.length === 0}
          onPress={() => act((tell) => cleaning.reset(id, tell))}
          style={{ flexGrow: 1 }}
        >
          As it was taken
        </Press>
      </View>
    </View>
  );
  return (
    <View style={{ flex: 1, backgroundColor: c.ground }} role="main" aria-label="Clean up">
      <HeadBar>
        <SignPress
          icon="back"
          label="Back to the sheet"
          onPress={() => router.navigate(`/thing/${thing.id}`)}
        />
        <View style={{ flex: 1 }}>
          <Words kind="heading" aria-level={1} numberOfLines={1}>
            {`Clean up picture ${position}`}
          </Words>
          <Words kind="small" tone="soft" role="status">
            {busy
              ? 'Working…'
              : steps.length === 0
                ? 'As it was taken'
                : `Kept, ${steps.length === 1 ? '1 step' : `${steps.length} steps`}`}
          </Words>
        </View>
        <SignPress
          icon="undo"
          label="Take the last step back"
          disabled={busy || steps.length === 0}
          onPress={() => act((tell) => cleaning.undo(id, tell))}
        />
        <SignPress
          icon="redo"
          label="Do it again"
          disabled={busy || undone.length === 0}
          onPress={() => act((tell) => cleaning.redo(id, tell))}
        />
      </HeadBar>
      <TwoParts label="Picture and tools" large={picturePart} small={tools} />
    </View>
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
  onStep: (step: Step) => void;
  onAuto: (what: Automatic) => void;
}) {
  const { tool, look, busy, onStep, onAuto } = props;
  switch (tool) {
    case 'white':
      return (
        <ChipRow label="Background">
          {([['kept', 'White, shadow kept'], ['dropped', 'White, no shadow'], [null, 'As it is']] as const).map(([shadow, words]) => (
            <Chip key={words} on={look.white === shadow} onPress={() => onStep({ do: 'white', shadow })}>
              {words}
            </Chip>
          ))}
        </ChipRow>
      ); // prettier-ignore
    case 'light':
      return (
        <ChipRow label="Light">
          <Chip on={look.gains !== null} onPress={() => onAuto('light')}>
            From the background
          </Chip>
          <Chip on={look.gains === null} onPress={() => onStep({ do: 'light', gains: null })}>
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
          <Chip on={look.crop === null} onPress={() => onStep({ do: 'crop', to: null })}>
            All of it
          </Chip>
        </ChipRow>
      );
    case 'straighten': {
      const by = (degrees: number) =>
        onStep({ do: 'straighten', degrees: Math.max(-MOST, Math.min(MOST, look.degrees + degrees)) });
      return (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Press label="Half a degree to the left" disabled={busy} onPress={() => by(-NUDGE)}>
            −
          </Press>
          <Words figures style={{ minWidth: 64, textAlign: 'center' }} role="status">
            {`${look.degrees.toFixed(1)}°`}
          </Words>
          <Press label="Half a degree to the right" disabled={busy} onPress={() => by(NUDGE)}>
            +
          </Press>
          <Press kind="quiet" disabled={busy} onPress={() => onAuto('straighten')}>
            By itself
          </Press>
        </View>
      );
    }
    default:
      return tool ? null : (
        <Words tone="soft">
          Each tool does its work at once; nothing is lost, every step can be taken back.
        </Words>
      );
  }
}
