/** Pictures as they lie before anyone agreed: a row for each item, and those that are left out. */
export interface Arrangement {
  rows: readonly (readonly string[])[];
  out: readonly string[];
}

/** Where a picture is put: before another one, at the end of a row, into a row of its own, or out. */
export type Place = { before: string } | { row: number } | 'newRow' | 'out';

/** An arrangement with a picture put elsewhere. Rows that are empty then are gone; nothing is lost. */
export function put(now: Arrangement, id: string, to: Place): Arrangement {
  const there = all(now);
  if (!there.includes(id)) return now;
  if (isBefore(to) && (to.before === id || !there.includes(to.before))) return now;
  const rows = now.rows.map((row) => row.filter((p) => p !== id));
  const out = now.out.filter((p) => p !== id);
  if (to === 'out') return tidy({ rows, out: [...out, id] });
  if (to === 'newRow') return tidy({ rows: [...rows, [id]], out });
  if ('row' in to)
    return to.row in rows
      ? tidy({ rows: rows.map((row, i) => (i === to.row ? [...row, id] : row)), out })
      : tidy({ rows: [...rows, [id]], out });
  const { before } = to;
  if (out.includes(before)) return tidy({ rows, out: [...out, id] });
  return tidy({
    rows: rows.map((row) => row.flatMap((p) => (p === before ? [id, p] : [p]))),
    out,
  });
}

const isBefore = (to: Place): to is { before: string } => typeof to === 'object' && 'before' in to;

/** A picture and all that follow it in its row become a row of their own, below. */
export function splitAt(now: Arrangement, id: string): Arrangement {
  return tidy({
    ...now,
    rows: now.rows.flatMap((row) => {
      const at = row.indexOf(id);
      return at > 0 ? [row.slice(0, at), row.slice(at)] : [row];
    }),
  });
}

/** A row joins the one above it. */
export function joinedUp(now: Arrangement, row: number): Arrangement {
  const [above, own] = [now.rows[row - 1], now.rows[row]];
  if (!above || !own) return now;
  const rows = now.rows.flatMap((one, i) => (i === row - 1 ? [[...above, ...own]] : i === row ? [] : [one]));
  return { ...now, rows };
}

/**
 * What was arranged before, for the pictures there are now: those that are gone go, those that are new stand
 * as they are proposed.
 */
export function withProposed(before: Arrangement | null, proposed: Arrangement): Arrangement {
  if (!before) return tidy(proposed);
  const there = new Set(all(proposed));
  const known = new Set(all(before));
  const keep = (ids: readonly string[]) => ids.filter((id) => there.has(id));
  const fresh = (ids: readonly string[]) => ids.filter((id) => !known.has(id));
  return tidy({
    rows: [...before.rows.map(keep), ...proposed.rows.map(fresh)],
    out: [...keep(before.out), ...fresh(proposed.out)],
  });
}

function all({ rows, out }: Arrangement): string[] {
  return [...rows.flat(), ...out];
}

function tidy({ rows, out }: Arrangement): Arrangement {
  return { rows: rows.filter((row) => row.length > 0), out };
}
