import { nanoid } from 'nanoid';

import type { OwnForm } from '@/contract/groups';
import type { OwnSpecific } from '@/contract/records';
import type { FactSpec } from '@/core/kinds/spec';
import { change, newId, useAttic } from '@/store/attic/attic';

/** Adds a kind below another, or as a root. @returns its id */
export function addKind(parent: string | null, name: string): string {
  const id = newId();
  change(`kind ${name}`, [{ collection: 'kinds', id, record: { id, parent, name } }]);
  return id;
}

/** Takes a kind of one's own away, with the questions asked of it. */
export function removeKind(id: string): void {
  const { specifics, kinds } = useAttic.getState();
  change(
    `kind ${kinds[id]?.name ?? ''} removed`,
    [
      { collection: 'kinds', id, record: null },
      ...Object.values(specifics)
        .filter((s) => s.kind === id)
        .map((s) => ({ collection: 'specifics' as const, id: s.id, record: null })),
    ],
    { destructive: true },
  );
}

/**
 * Asks a question of a kind and all below it: a new one, or one that is asked already, from here down another
 * way.
 *
 * @param kind empty: of every item
 */
export function keepSpecific(kind: string, spec: FactSpec): void {
  const fact = spec.id === '' ? `own-${nanoid(8)}` : spec.id;
  const before = Object.values(useAttic.getState().specifics).find((s) => s.kind === kind && s.fact === fact);
  const id = before?.id ?? newId();
  const record: OwnSpecific = {
    id,
    kind,
    fact,
    label: spec.label,
    type: spec.type ?? 'text',
    unit: spec.unit ?? '',
    choices: [...(spec.choices ?? [])],
    closed: (spec.closed ?? false) && (spec.choices?.length ?? 0) > 0,
    need: spec.need ?? 'optional',
    several: spec.several ?? false,
    private: spec.private ?? false,
    usual: spec.usual?.trim() ?? '',
  };
  change(`question ${spec.label}`, [{ collection: 'specifics', id, record }]);
}

/**
 * A question of one's own, or one's own way of asking one of ours, is given up. Answers stay in the records.
 */
export function takeBackSpecific(id: string): void {
  const label = useAttic.getState().specifics[id]?.label ?? '';
  change(`question ${label} taken back`, [{ collection: 'specifics', id, record: null }], {
    destructive: true,
  });
}

/** Keeps how the questions of a kind stand on the sheet; null: as they are asked. */
export function keepForm(kind: string, form: Pick<OwnForm, 'order' | 'hidden'> | null): void {
  const before = Object.values(useAttic.getState().forms).find((f) => f.kind === kind);
  if (!form && !before) return;
  const id = before?.id ?? newId();
  change('form', [{ collection: 'forms', id, record: form && { id, kind, ...form } }]);
}
