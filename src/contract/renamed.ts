import { isFields, type Fields } from './fields';

/** A record as it was stored, or some of its fields. */
export type Raw = Readonly<Fields>;

/** The same with some fields by other names, in their places; what is there by its new name already stays. */
export function renamed(raw: Raw, names: Readonly<Record<string, string>>): Raw {
  if (!Object.keys(names).some((name) => Object.hasOwn(raw, name))) return raw;
  return Object.fromEntries(
    Object.entries(raw).flatMap(([name, value]) => {
      const today = Object.hasOwn(names, name) ? names[name] : undefined;
      if (today === undefined) return [[name, value]];
      return Object.hasOwn(raw, today) ? [] : [[today, value]];
    }),
  );
}

/** A list whose entries have some fields by other names; anything else as it is. */
export function renamedEach(list: unknown, names: Readonly<Record<string, string>>): unknown {
  return Array.isArray(list) ? list.map((one: unknown) => (isFields(one) ? renamed(one, names) : one)) : list;
}
