import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { forget } from '@/store/pictures/taught';
import { lessonPlace, lessonWords } from '@/wording/readings';

/** What corrections of readings taught this attic; each can be forgotten. */
export function Taught() {
  const kinds = useKinds();
  const lessons = useAttic((s) => s.settings.lessons);
  return (
    <Page title="What corrections taught" back="/attic">
      <Card label="What corrections taught">
        <Text tone="soft">
          What you put right in readings is done so from then on. Forget what is not so any more: what your
          items say stays as it is.
        </Text>
        {lessons.length === 0 ? <Text role="status">Nothing was taught yet.</Text> : null}
        <View role="list" aria-label="Lessons" style={{ gap: 10 }}>
          {lessons.map((lesson) => {
            const words = lessonWords(lesson, kinds);
            return (
              <View
                key={lesson.id}
                role="listitem"
                style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}
              >
                <View style={{ flex: 1, minWidth: 0 }}>
                  <Text variant="strong">{words}</Text>
                  <Text variant="small" tone="soft" figures>
                    {[
                      lessonPlace(lesson, kinds),
                      agoWords(lesson.at),
                      lesson.times > 1 ? `said ${lesson.times} times` : '',
                    ]
                      .filter(Boolean)
                      .join(' · ')}
                  </Text>
                </View>
                <Button variant="quiet" label={`Forget: ${words}`} onPress={() => forget(lesson)}>
                  Forget
                </Button>
              </View>
            );
          })}
        </View>
      </Card>
    </Page>
  );
}
