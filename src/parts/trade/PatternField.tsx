import { useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';

import { patternProblems, type PatternProblem } from '@/core/words/patternProblems';
import { TOKEN_GROUPS, type Token } from '@/core/words/tokens';
import { Button } from '@/parts/ui/Button';
import { Field, type FieldProps } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useColours } from '@/theme/theme';
import { TOKEN_GROUP_NAMES, patternProblemWords } from '@/wording/words';

type PatternFieldProps = Pick<
  FieldProps,
  'label' | 'value' | 'onChange' | 'multiline' | 'maxLength' | 'hint'
> & {
  /** What may be put in, with what it gives. */
  tokens: readonly Token[];
  /** All that may stand in it. */
  known: ReadonlySet<string>;
};

/**
 * Text with facts in it: what may stand there is put in by a tap, where the cursor was; what is wrong stands
 * under it, each with its place and what was probably meant.
 */
export function PatternField({ tokens, known, ...field }: PatternFieldProps) {
  const { label, value, onChange } = field;
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const problems = useMemo(() => patternProblems(value, known), [value, known]);
  // What is typed is kept in pauses: what stands in the field may be newer.
  const typed = () => box.current?.querySelector<HTMLTextAreaElement | HTMLInputElement>('textarea, input');
  const mark = (from: number, to: number) => {
    const input = typed();
    input?.focus();
    input?.setSelectionRange(from, to);
  };
  const put = (from: number, to: number, text: string) => {
    const now = typed()?.value ?? value;
    onChange(now.slice(0, from) + text + now.slice(to));
    requestAnimationFrame(() => mark(from + text.length, from + text.length));
  };
  const insert = (token: Token) => {
    const input = typed();
    const end = (input?.value ?? value).length;
    put(input?.selectionStart ?? end, input?.selectionEnd ?? end, token.insert);
  };
  return (
    <div ref={box} style={{ display: 'flex', flexDirection: 'column', gap: 6 }}>
      <Field {...field} />
      {problems.map((problem) => (
        <Problem
          key={`${problem.at} ${problem.why.code}`}
          problem={problem}
          text={value}
          onShow={() => mark(problem.at, problem.at + problem.length)}
          onMend={(better) => put(problem.at, problem.at + problem.length, better)}
        />
      ))}
      <Button
        variant="quiet"
        icon={open ? undefined : 'add'}
        label={open ? `That is all for ${label}` : `Put a fact into ${label}`}
        onPress={() => setOpen(!open)}
      >
        {open ? 'That is all' : 'Put a fact in'}
      </Button>
      {open ? <Tokens label={label} tokens={tokens} onInsert={insert} /> : null}
    </div>
  );
}

/** What is wrong, its line with the spot marked, and what was probably meant. */
function Problem(props: {
  problem: PatternProblem;
  text: string;
  onShow: () => void;
  onMend: (better: string) => void;
}) {
  const { problem, text, onShow, onMend } = props;
  const c = useColours();
  const { at, length, line, better } = problem;
  const from = text.lastIndexOf('\n', at - 1) + 1;
  const end = text.indexOf('\n', at + length);
  const words = patternProblemWords(problem.why);
  return (
    <View
      role="alert"
      style={{ borderRadius: 10, backgroundColor: c.brickTint, paddingHorizontal: 12, paddingVertical: 6 }}
    >
      <Pressable
        role="button"
        aria-label={`Line ${line}: ${words}`}
        onPress={onShow}
        style={{ minHeight: 44 }}
      >
        <Text tone="trouble">{`Line ${line}: ${words}`}</Text>
        <Text variant="small" numberOfLines={2}>
          {text.slice(from, at)}
          <Text variant="small" tone="trouble" style={{ textDecorationLine: 'underline' }}>
            {text.slice(at, at + length)}
          </Text>
          {text.slice(at + length, end < 0 ? undefined : end)}
        </Text>
      </Pressable>
      {better === null ? null : (
        <Button variant="quiet" onPress={() => onMend(better)}>
          {better === '' ? 'Take it away' : `Write ${better}`}
        </Button>
      )}
    </View>
  );
}

/** All that may be put in, by what it is of, each with what it gives. */
function Tokens(props: { label: string; tokens: readonly Token[]; onInsert: (token: Token) => void }) {
  const { label, tokens, onInsert } = props;
  const c = useColours();
  const [sought, setSought] = useState('');
  const wanted = sought.trim().toLocaleLowerCase('en');
  const found = tokens.filter((t) =>
    `${t.name} ${t.label ?? ''} ${t.gives}`.toLocaleLowerCase('en').includes(wanted),
  );
  return (
    <View role="group" aria-label={`What can stand in ${label}`} style={{ gap: 8 }}>
      <Field label="Find a fact" value={sought} pause={0} maxLength={60} onChange={setSought} />
      {found.length === 0 ? <Text tone="soft">Nothing goes by that.</Text> : null}
      {TOKEN_GROUPS.map((group) => {
        const of = found.filter((t) => t.group === group);
        return of.length === 0 ? null : (
          <View key={group} style={{ gap: 2 }}>
            <Text variant="strong">{TOKEN_GROUP_NAMES[group]}</Text>
            {of.map((token) => (
              <Pressable
                key={token.name}
                role="button"
                aria-label={`Put in ${token.label ?? token.name}`}
                onPress={() => onInsert(token)}
                style={({ pressed }) => ({
                  flexDirection: 'row',
                  alignItems: 'center',
                  gap: 8,
                  minHeight: 44,
                  borderBottomWidth: 1,
                  borderColor: c.line,
                  opacity: pressed ? 0.6 : 1,
                })}
              >
                <Text style={{ flex: 1 }}>{token.label ?? token.name}</Text>
                <Text variant="small" tone="soft" numberOfLines={2} style={{ flex: 1.4 }}>
                  {token.gives === '' ? 'nothing yet' : token.gives}
                </Text>
              </Pressable>
            ))}
          </View>
        );
      })}
    </View>
  );
}
