import { plural } from '@/core/language/plural';

import { ToMany } from './ToMany';

/** Leads to filling several items in together. */
export function FillInButton({ ids, main = false }: { ids: readonly string[]; main?: boolean }) {
  return (
    <ToMany ids={ids} to="/many" icon="write" main={main}>
      {plural(ids.length, 'Fill it in', `Fill in these ${ids.length}`)}
    </ToMany>
  );
}
