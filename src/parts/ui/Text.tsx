import { Text as NativeText, type TextProps as NativeTextProps } from 'react-native';

import { FIGURES, FONT, useColours } from '@/theme/theme';

interface TextProps extends NativeTextProps {
  /** Size and weight by what the words are for. */
  variant?: 'title' | 'heading' | 'strong' | 'body' | 'small';
  /** A colour by meaning. */
  tone?: 'ink' | 'soft' | 'trouble' | 'info' | 'good';
  /** Line up figures. */
  figures?: boolean;
}

const SIZES = {
  title: { fontFamily: FONT.heading, fontSize: 30, lineHeight: 36 },
  heading: { fontFamily: FONT.heading, fontSize: 22, lineHeight: 28 },
  strong: { fontFamily: FONT.strong, fontSize: 16, lineHeight: 22 },
  body: { fontFamily: FONT.text, fontSize: 16, lineHeight: 23 },
  small: { fontFamily: FONT.text, fontSize: 14, lineHeight: 19 },
} as const;

/** Text in the attic's type. Headings are headings for screen readers too. */
export function Text({ variant = 'body', tone = 'ink', figures, style, ...rest }: TextProps) {
  const c = useColours();
  const colour = { ink: c.ink, soft: c.soft, trouble: c.brick, info: c.slate, good: c.moss }[tone];
  const level = variant === 'title' ? 1 : variant === 'heading' ? 2 : undefined;
  return (
    <NativeText
      {...(level ? { role: 'heading' as const, 'aria-level': level } : {})}
      {...rest}
      style={[SIZES[variant], { color: colour }, figures && FIGURES, style]}
    />
  );
}
