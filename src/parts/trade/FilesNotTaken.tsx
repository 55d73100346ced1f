import { plural } from '@/core/language/plural';
import { Notice } from '@/parts/ui/Notice';

/**
 * Files that were not taken, each with why; of the others it is said once that they were, where there were
 * any.
 */
export function FilesNotTaken(props: { files: readonly { name: string; why: string }[]; kept: number }) {
  const { files, kept } = props;
  if (files.length === 0) return null;
  return (
    <>
      {files.map((f, i) => (
        <Notice key={i} tone="trouble">{`${f.name}: ${f.why}`}</Notice>
      ))}
      {kept > 0 ? (
        <Notice tone="info">{plural(kept, 'The other one was kept.', `The other ${kept} were kept.`)}</Notice>
      ) : null}
    </>
  );
}
