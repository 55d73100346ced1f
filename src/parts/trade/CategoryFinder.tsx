import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';
import { rankCategories } from '@/core/mapping/categories';
import { branchesOf, findCategories, type CategoryHit } from '@/core/mapping/find';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';
import { categoryReason } from '@/wording/kinds';

/** Categories offered before any was looked for. */
const LIKELY = 4;
const LAST = 3;

interface FinderProps {
  /** What is to go there; empty: not said. */
  kind: string;
  sheet: RuleSheet;
  chosen: string | null;
  onChoose: (category: string) => void;
}

/** A category by any words, by its number, or branch by branch; what was used last, and is likely, first. */
export function CategoryFinder(props: FinderProps) {
  const { sheet } = props;
  const [typed, setTyped] = useState('');
  const [walking, setWalking] = useState(false);
  return (
    <View role="group" aria-label={`Category on ${sheet.name}`} style={{ gap: 8 }}>
      <Field
        label={`Find a category on ${sheet.name}`}
        value={typed}
        maxLength={120}
        pause={0}
        hint="By any words, or by its number"
        onChange={setTyped}
      />
      {typed.trim() !== '' ? (
        <Found {...props} typed={typed} />
      ) : walking ? (
        <Branch {...props} />
      ) : (
        <>
          <Offered {...props} />
          <Button
            variant="quiet"
            label={`Walk through the categories on ${sheet.name}`}
            onPress={() => setWalking(true)}
          >
            All of them, branch by branch
          </Button>
        </>
      )}
    </View>
  );
}

function Found({ typed, ...props }: FinderProps & { typed: string }) {
  const { sheet } = props;
  const kinds = useKinds();
  // Looking may take longer than a keystroke.
  const wanted = useDeferredValue(typed);
  const found = useMemo(() => findCategories(wanted, sheet, kinds), [wanted, sheet, kinds]);
  if (found.length === 0 && wanted === typed)
    return (
      <Text tone="soft" role="status">
        {`Nothing on ${sheet.name} goes by that. Try what it is, or empty the field and go branch by branch.`}
      </Text>
    );
  return (
    <Lines label={`Found on ${sheet.name}`}>
      {found.map((hit) => (
        <CategoryLine key={hit.category.id} {...props} category={hit.category} more={byWords(hit)} />
      ))}
    </Lines>
  );

  function byWords({ by }: CategoryHit): string | null {
    return by.type === 'kind' ? `where ${kinds.get(by.kind)?.name.toLocaleLowerCase('en')} goes` : null;
  }
}

/** What was used last, then the likeliest for the kind. */
function Offered(props: FinderProps) {
  const { kind, sheet } = props;
  const kinds = useKinds();
  const mappings = useAttic((s) => s.mappings);
  const last = useAttic((s) => s.settings.lastCategories[sheet.marketplace]);
  const used = (last ?? []).flatMap((id) => sheet.categories.find((c) => c.id === id && c.leaf) ?? []);
  const ranked = useMemo(
    () => rankCategories(kind, kinds, sheet, Object.values(mappings)).filter((r) => r.score > 0),
    [kind, kinds, sheet, mappings],
  );
  const first = used.slice(0, LAST);
  const likely = ranked.filter((r) => !first.includes(r.category)).slice(0, LIKELY);
  if (first.length + likely.length === 0) return <Branch {...props} />;
  return (
    <Lines label={`Offered on ${sheet.name}`}>
      {first.map((category) => (
        <CategoryLine key={category.id} {...props} category={category} more="used lately" />
      ))}
      {likely.map(({ category, why }) => (
        <CategoryLine
          key={category.id}
          {...props}
          category={category}
          more={why ? categoryReason(why) : null}
        />
      ))}
    </Lines>
  );
}

/** One level of the tree: a branch opens, what takes listings is chosen. */
function Branch(props: FinderProps) {
  const { sheet } = props;
  const [here, go] = useState<string | null>(null);
  const branch = sheet.categories.find((c) => c.id === here);
  const below = sheet.categories.filter((c) => c.parent === (branch?.id ?? null));
  return (
    <Lines label={branch ? `In ${branch.name}` : `All on ${sheet.name}`}>
      {branch ? (
        <Button variant="quiet" icon="back" label="Up one branch" onPress={() => go(branch.parent)}>
          {branch.name}
        </Button>
      ) : null}
      {below.map((category) =>
        category.leaf ? (
          <CategoryLine key={category.id} {...props} category={category} more={null} />
        ) : (
          <Opens key={category.id} category={category} onPress={() => go(category.id)} />
        ),
      )}
    </Lines>
  );
}

function Lines({ label, children }: { label: string; children: ReactNode }) {
  return (
    <View role="group" aria-label={label} style={{ gap: 4 }}>
      {children}
    </View>
  );
}

/** One category: its way through the tree, its number, and why it stands here. */
export function CategoryLine(
  props: Omit<FinderProps, 'kind'> & { category: SheetCategory; more: string | null },
) {
  const { sheet, category, chosen, more, onChoose } = props;
  const c = useColours();
  const on = category.id === chosen;
  return (
    <Pressable
      role="radio"
      aria-checked={on}
      aria-label={pathOf(sheet, category)}
      onPress={() => onChoose(category.id)}
      style={({ pressed }) => ({
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        minHeight: 48,
        paddingHorizontal: 10,
        paddingVertical: 4,
        borderWidth: 1,
        borderRadius: 10,
        borderColor: on ? c.moss : c.line,
        backgroundColor: on ? c.mossTint : c.surface,
        opacity: pressed ? 0.6 : 1,
      })}
    >
      <View style={{ flex: 1 }}>
        <Text>{pathOf(sheet, category)}</Text>
        <Text variant="small" tone="soft" figures numberOfLines={2}>
          {[category.id, more].filter(Boolean).join(' · ')}
        </Text>
      </View>
      {on ? <Icon name="check" colour={c.moss} size={18} /> : null}
    </Pressable>
  );
}

function Opens({ category, onPress }: { category: SheetCategory; onPress: () => void }) {
  const c = useColours();
  return (
    <Pressable
      role="button"
      aria-label={`${category.name}: open`}
      onPress={onPress}
      style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48, paddingHorizontal: 10 }}
    >
      <Text style={{ flex: 1 }}>{category.name}</Text>
      <Icon name="forward" colour={c.soft} size={18} />
    </Pressable>
  );
}

/** A category's name with the branches it stands below. */
export function pathOf(sheet: RuleSheet, category: SheetCategory): string {
  const byId = new Map(sheet.categories.map((c) => [c.id, c]));
  return [...branchesOf(category, byId)]
    .reverse()
    .concat(category)
    .map((c) => c.name)
    .join(' › ');
}
