import { zipSync } from 'fflate';
import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { formatAmount } from '@/core/money/money';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useTextDraft } from '@/store/drafts';
import { saveFile } from '@/store/files';
import type { Examined } from '@/core/listing/examine';
import { putUpByHand, renditionsOf } from '@/store/sending';
import { useColours } from '@/theme/theme';

import { useDo } from '../shell/useDo';

const ADDRESS = /^(?:https?:\/\/|\/)\S+$/u;

/** A marketplace that nobody can call: each field to copy, the pictures as one file in order, and the address brought back. */
export function ByHand({ thing, examined }: { thing: Thing; examined: Examined }) {
  const { sheet, effective } = examined;
  const c = useColours();
  const { run, busy, trouble } = useDo();
  const [address, setAddress, clearAddress] = useTextDraft(`byHand:${thing.id}:${sheet.marketplace}`);
  const [copied, setCopied] = useState<string | null>(null);
  const fields: [string, string][] = [
    ['Heading', effective.title],
    ['Words', effective.text],
    ['Price', effective.price === null ? '' : formatAmount(effective.price, sheet.currency)],
    ['Postage', effective.postage ? formatAmount(effective.postage, sheet.currency) : ''],
    ['Category', effective.category?.name ?? ''],
    ['Condition', effective.condition?.label ?? ''],
    ...sheet.questions.map((q): [string, string] => [q.label, effective.answers[q.id] ?? '']),
  ];
  const copy = (name: string, text: string) =>
    run(async () => {
      await navigator.clipboard.writeText(text);
      setCopied(name);
    });
  const pictures = () =>
    run(async () => {
      const files: Record<string, Uint8Array> = {};
      for (const [i, blob] of (await renditionsOf(examined)).entries())
        files[`${String(i + 1).padStart(2, '0')}.jpg`] = new Uint8Array(await blob.arrayBuffer());
      // Pictures are packed already: they are only put together.
      saveFile(
        new Blob([zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>], { type: 'application/zip' }),
        `${thing.code}.zip`,
      );
    });
  return (
    <View role="group" aria-label={`By hand on ${sheet.name}`} style={{ gap: 8 }}>
      <Words>{`Nobody can call ${sheet.name}: open its form, copy each field over, then bring its address back.`}</Words>
      {fields
        .filter(([, text]) => text !== '')
        .map(([name, text]) => (
          <View
            key={name}
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: 8,
              borderBottomWidth: 1,
              borderColor: c.line,
            }}
          >
            <View style={{ flex: 1 }}>
              <Words kind="small" tone="soft">
                {name}
              </Words>
              <Words numberOfLines={2}>{text}</Words>
            </View>
            <Press
              kind="quiet"
              label={`Copy for ${sheet.name}: ${name}`}
              disabled={busy}
              onPress={() => copy(name, text)}
            >
              {copied === name ? 'Copied' : 'Copy'}
            </Press>
          </View>
        ))}
      <Press icon="pictures" disabled={busy} onPress={pictures}>
        {`Save its ${examined.media.pictures.length === 1 ? 'picture' : `${examined.media.pictures.length} pictures`}, in order`}
      </Press>
      <Field
        label={`Its address on ${sheet.name}`}
        value={address}
        pause={0}
        maxLength={500}
        placeholder="https://"
        refuse={(text) =>
          text.trim() === '' || ADDRESS.test(text.trim()) ? null : 'An address begins with https:// or /.'
        }
        onChange={(text) => setAddress(text.trim())}
      />
      <Press
        kind="main"
        label={`It is up on ${sheet.name}`}
        disabled={busy || !ADDRESS.test(address)}
        onPress={() =>
          run(async () => {
            await putUpByHand(thing.id, sheet.marketplace, address);
            clearAddress();
          })
        }
      >
        It is up there
      </Press>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
