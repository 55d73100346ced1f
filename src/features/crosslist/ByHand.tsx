import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { formatAmount } from '@/core/money/money';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useTextDraft } from '@/store/attic/drafts';
import { saveFile } from '@/store/base/files';
import { zipped } from '@/store/base/zip';
import { putUpByHand, renditionsOf } from '@/store/courier/sending';
import { useColours } from '@/theme/theme';

const ADDRESS = /^(?:https?:\/\/|\/)\S+$/u;

/**
 * A marketplace that nobody can call: each field to copy, the pictures as one file in order, and the address
 * brought back.
 */
export function ByHand({ item, examined }: { item: Item; examined: Examined }) {
  const { sheet } = examined;
  const { run, busy, trouble } = useAsyncAction();
  const [address, setAddress, clearAddress] = useTextDraft(`byHand:${item.id}:${sheet.marketplace}`);
  const [copied, setCopied] = useState<string | null>(null);
  const copy = (name: string, text: string) =>
    run(async () => {
      await navigator.clipboard.writeText(text);
      setCopied(name);
    });
  const pictures = () =>
    run(async () => {
      const made = await renditionsOf(examined);
      const files = made.map((blob, i) => [`${String(i + 1).padStart(2, '0')}.jpg`, blob]);
      saveFile(await zipped(Object.fromEntries(files)), `${item.code}.zip`);
    });
  return (
    <View role="group" aria-label={`By hand on ${sheet.name}`} style={{ gap: 8 }}>
      <Text>
        {`Nobody can call ${sheet.name}: open its form, copy each field over, then bring its address ` +
          'back.'}
      </Text>
      {fieldsOf(examined).map(([name, text]) => (
        <CopyLine
          key={name}
          name={name}
          text={text}
          market={sheet.name}
          isCopied={copied === name}
          disabled={busy}
          onCopy={() => copy(name, text)}
        />
      ))}
      <Button icon="pictures" disabled={busy} onPress={pictures}>
        {'Save its ' +
          `${plural(
            examined.media.pictures.length,
            'picture',
            `${examined.media.pictures.length} pictures`,
          )}, ` +
          'in order'}
      </Button>
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
      <Button
        variant="main"
        label={`It is up on ${sheet.name}`}
        disabled={busy || !ADDRESS.test(address)}
        onPress={() =>
          run(async () => {
            await putUpByHand(item.id, sheet.marketplace, address);
            clearAddress();
          })
        }
      >
        It is up there
      </Button>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}

/** What is copied over, field by field; what is empty needs no copying. */
function fieldsOf({ sheet, effective }: Examined): [string, string][] {
  const fields: [string, string][] = [
    ['Heading', effective.title],
    ['Words', effective.text],
    ['Price', effective.price === null ? '' : formatAmount(effective.price, sheet.currency)],
    ['Postage', effective.postage ? formatAmount(effective.postage, sheet.currency) : ''],
    ['Category', effective.category?.name ?? ''],
    ['Condition', effective.condition?.label ?? ''],
    ...sheet.questions.map((q): [string, string] => [q.label, effective.answers[q.id] ?? '']),
  ];
  return fields.filter(([, text]) => text !== '');
}

function CopyLine(props: {
  name: string;
  text: string;
  market: string;
  isCopied: boolean;
  disabled: boolean;
  onCopy: () => void;
}) {
  const { name, text, market, isCopied, disabled, onCopy } = props;
  const c = useColours();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        borderBottomWidth: 1,
        borderColor: c.line,
      }}
    >
      <View style={{ flex: 1 }}>
        <Text variant="small" tone="soft">
          {name}
        </Text>
        <Text numberOfLines={2}>{text}</Text>
      </View>
      <Button variant="quiet" label={`Copy for ${market}: ${name}`} disabled={disabled} onPress={onCopy}>
        {isCopied ? 'Copied' : 'Copy'}
      </Button>
    </View>
  );
}
