import { useState } from 'react';
import { View } from 'react-native';

import { arranged, formFor, movedInOrder } from '@/core/kinds/form';
import type { Kind } from '@/core/kinds/spec';
import { Card } from '@/parts/Page';
import { Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { keepForm } from '@/store/ownKinds';

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
  const order = shown.map((f) => f.id);
  const away = hidden.map((f) => f.id);
  return (
    <Card label="On the sheet">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words kind="heading">On the sheet</Words>
          <Words kind="small" tone="soft">
            {own
              ? 'Your own order, for this kind and all below it.'
              : form
                ? `Your order of ${kinds.get(form.kind)?.name ?? 'a kind above'}.`
                : 'All questions, in the usual order.'}
          </Words>
        </View>
        <Press kind="quiet" label="Change what shows on the sheet" onPress={() => setOpen(!open)}>
          {open ? 'Done' : 'Change'}
        </Press>
      </View>
      {open ? (
        <>
          {shown.map((f, i) => (
            <View key={f.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
              <View style={{ flex: 1 }}>
                <Words>{f.label}</Words>
                {f.need === 'required' ? (
                  <Words kind="small" tone="soft">
                    Required: always shown
                  </Words>
                ) : null}
              </View>
              <SignPress
                icon="up"
                label={`Move ${f.label} up`}
                disabled={i === 0}
                onPress={() => keep(movedInOrder(order, f.id, -1), away)}
              />
              <SignPress
                icon="down"
                label={`Move ${f.label} down`}
                disabled={i === shown.length - 1}
                onPress={() => keep(movedInOrder(order, f.id, 1), away)}
              />
              <Press
                kind="quiet"
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
              </Press>
            </View>
          ))}
          {hidden.map((f) => (
            <View key={f.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
              <Words tone="soft" style={{ flex: 1 }}>
                {`${f.label}: put away`}
              </Words>
              <Press
                kind="quiet"
                label={`Show ${f.label}`}
                onPress={() =>
                  keep(
                    [...order, f.id],
                    away.filter((id) => id !== f.id),
                  )
                }
              >
                Show
              </Press>
            </View>
          ))}
          {own ? (
            <Press kind="quiet" icon="undo" onPress={() => keepForm(kind.id, null)}>
              {form && kind.path.length > 1 ? 'As the kind above has it' : 'The usual order again'}
            </Press>
          ) : null}
        </>
      ) : null}
    </Card>
  );
}
