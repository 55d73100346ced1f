import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { Icon, type IconName } from '@/theme/Icon';
import { FONT, useColours } from '@/theme/theme';

import { Text } from './Text';

export interface NoticeProps {
  /** `alarm`: the reddest item there is, for what may sell twice. */
  tone: 'alarm' | 'trouble' | 'caution' | 'info' | 'good';
  children: ReactNode;
  /** Makes it a way to where it can be put right. */
  onPress?: () => void;
}

const SIGNS: Record<NoticeProps['tone'], IconName> = {
  alarm: 'alert',
  trouble: 'alert',
  caution: 'caution',
  info: 'info',
  good: 'check',
};

/** A sentence with a sign; the sign and the words carry the meaning, the colour helps. */
export function Notice({ tone, children, onPress }: NoticeProps) {
  const c = useColours();
  const looks: Record<NoticeProps['tone'], [string, string]> = {
    alarm: [c.brick, c.onBrick],
    trouble: [c.brickTint, c.brick],
    caution: [c.brassTint, c.brassInk],
    info: [c.slateTint, c.slate],
    good: [c.mossTint, c.moss],
  };
  const look = looks[tone];
  const body = (
    <>
      <Icon name={SIGNS[tone]} colour={look[1]} size={19} />
      <View style={{ flex: 1 }}>
        {typeof children === 'string' ? (
          <Text
            variant="small"
            style={[
              { fontSize: 15, lineHeight: 20 },
              tone === 'alarm' && { color: c.onBrick, fontFamily: FONT.strong },
            ]}
          >
            {children}
          </Text>
        ) : (
          children
        )}
      </View>
      {onPress ? <Icon name="forward" colour={look[1]} size={18} /> : null}
    </>
  );
  const style = {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: 9,
    paddingHorizontal: 11,
    paddingVertical: 8,
    borderRadius: 8,
    backgroundColor: look[0],
    minHeight: onPress ? 44 : undefined,
  };
  return onPress ? (
    <Pressable role="button" onPress={onPress} style={style}>
      {body}
    </Pressable>
  ) : (
    <View style={style}>{body}</View>
  );
}
