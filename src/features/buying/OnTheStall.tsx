import { View } from 'react-native';

import type { Find } from '@/contract/likeness';
import { Button } from '@/parts/ui/Button';
import { FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { findAlike, forgetLikeness, useLikeness } from '@/store/research/likeness';

import { FindList, MayBe } from '../likeness/Finds';

/** What is photographed out buying belongs to no item yet. */
const FIELD = 'field';
const NONE: Find[] = [];

/** What was photographed last on the stall, and what looks like it. */
export function useOnTheStall() {
  const state = useLikeness((s) => s[FIELD]);
  const finds = state && 'finds' in state ? state.finds : NONE;
  return {
    state,
    finds,
    isAsking: state !== undefined && 'asking' in state,
    isLikeNothing: state !== undefined && 'finds' in state && finds.length === 0,
  };
}

/** Where nothing was like the picture a person goes on in words. */
export function forgetLikeNothing(): void {
  const state = useLikeness.getState()[FIELD];
  if (state && 'finds' in state && state.finds.length === 0) forgetLikeness(FIELD);
}

/** Photographs it on the stall, and says what it may be. The picture is not kept. */
export function OnTheStall(props: {
  kind: string;
  onKind: (kind: string, finds: readonly Find[]) => void;
  onFound: (finds: readonly Find[]) => void;
}) {
  const { kind, onKind, onFound } = props;
  const { state, isAsking } = useOnTheStall();
  const take = async ([file]: File[]) => {
    if (!file) return;
    await findAlike(FIELD, () => Promise.resolve(file));
    const now = useLikeness.getState()[FIELD];
    if (now && 'finds' in now) onFound(now.finds);
  };
  return (
    <View role="group" aria-label="What looks like it" style={{ gap: 8 }}>
      <FileButton variant="main" icon="camera" camera accept="image/*" onFiles={(files) => void take(files)}>
        {state ? 'Photograph another' : 'Photograph it'}
      </FileButton>
      {isAsking ? (
        <Text tone="soft" role="status">
          Looking for its like…
        </Text>
      ) : null}
      {state ? null : (
        <Text variant="small" tone="soft">
          A small copy of the picture goes to the likeness desk, without place, time or camera.
        </Text>
      )}
      {state && 'trouble' in state ? (
        <Notice tone="caution">{`${state.trouble} Say what it is instead, below.`}</Notice>
      ) : null}
      {state && 'finds' in state ? (
        <MayBe
          finds={state.finds}
          own={state.picture}
          kind={kind}
          onKind={(one) => onKind(one, state.finds)}
        />
      ) : null}
    </View>
  );
}

/** What looks like what was photographed: one of them may be just that. */
export function LooksLikeIt(props: { onTake: (find: Find, finds: readonly Find[]) => void }) {
  const { finds } = useOnTheStall();
  if (finds.length === 0) return null;
  return (
    <Card label="What looks like it">
      <Text variant="heading">What looks like it</Text>
      <FindList
        finds={finds}
        doings={(find) => (
          <Button
            variant="quiet"
            label={`It is like ${find.title}`}
            onPress={() => props.onTake(find, finds)}
          >
            It is one like that
          </Button>
        )}
      />
      <Button variant="quiet" icon="close" onPress={() => forgetLikeness(FIELD)}>
        Put these away
      </Button>
    </Card>
  );
}
