import { useState } from 'react';
import { View } from 'react-native';

import { arranged, formFor, movedInOrder } from '@/core/kinds/form';
import type { FactSpec, Kind } from '@/core/kinds/spec';
import { Button, SignButton } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { keepForm } from '@/store/items/ownKinds';

/** Which of a kind's questions show on the item sheet, and in what order. */
export function FormOrder({ kind }: { kind: Kind }) {
  const kinds = useKinds();
  const forms = useAttic((s) => s.forms);
  const [open, setOpen] = useState(false);
  const form = formFor(kind, Object.values(forms));
  const { shown, hidden } = arranged(kind.facts, form);
  const own = form?.kind === kind.id;
  const keep = (order: readonly string[], away: readonly string[]) =>
    keepForm(kind.id, { order: [...order], hidden: [...away] });
  return (
    <Card label="On the sheet">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="heading">On the sheet</Text>
          <Text variant="small" tone="soft">
            {own
              ? 'Your own order, for this kind and all below it.'
              : form
                ? `Your order of ${kinds.get(form.kind)?.name ?? 'a kind above'}.`
                : 'All questions, in the usual order.'}
          </Text>
        </View>
        <Button variant="quiet" label="Change what shows on the sheet" onPress={() => setOpen(!open)}>
          {open ? 'Done' : 'Change'}
        </Button>
      </View>
      {open ? (
        <>
          <Ordered shown={shown} hidden={hidden} keep={keep} />
          {own ? (
            <Button variant="quiet" icon="undo" onPress={() => keepForm(kind.id, null)}>
              {form && kind.path.length > 1 ? 'As the kind above has it' : 'The usual order again'}
            </Button>
          ) : null}
        </>
      ) : null}
    </Card>
  );
}

/** The questions in their order, and those put away. */
function Ordered(props: {
  shown: readonly FactSpec[];
  hidden: readonly FactSpec[];
  keep: (order: readonly string[], away: readonly string[]) => void;
}) {
  const { shown, hidden, keep } = props;
  const order = shown.map((f) => f.id);
  const away = hidden.map((f) => f.id);
  return (
    <>
      {shown.map((f, i) => (
        <View key={f.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
          <View style={{ flex: 1 }}>
            <Text>{f.label}</Text>
            {f.need === 'required' ? (
              <Text variant="small" tone="soft">
                Required: always shown
              </Text>
            ) : null}
          </View>
          <SignButton
            icon="up"
            label={`Move ${f.label} up`}
            disabled={i === 0}
            onPress={() => keep(movedInOrder(order, f.id, -1), away)}
          />
          <SignButton
            icon="down"
            label={`Move ${f.label} down`}
            disabled={i === shown.length - 1}
            onPress={() => keep(movedInOrder(order, f.id, 1), away)}
          />
          <Button
            variant="quiet"
            label={`Put ${f.label} away`}
            disabled={f.need === 'required'}
            onPress={() =>
              keep(
                order.filter((id) => id !== f.id),
                [...away, f.id],
              )
            }
          >
            Put away
          </Button>
        </View>
      ))}
      {hidden.map((f) => (
        <View key={f.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
          <Text tone="soft" style={{ flex: 1 }}>
            {`${f.label}: put away`}
          </Text>
          <Button
            variant="quiet"
            label={`Show ${f.label}`}
            onPress={() =>
              keep(
                [...order, f.id],
                away.filter((id) => id !== f.id),
              )
            }
          >
            Show
          </Button>
        </View>
      ))}
    </>
  );
}
