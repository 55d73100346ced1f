import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { STENCIL_PARTS } from '@/contract/stencil';
import type { Examined } from '@/core/listing/examine';
import { isOwnPart, says } from '@/core/stencils/stencils';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useKinds } from '@/store/items/kinds';
import { giveBack, keepAsStencil, layStencil } from '@/store/items/stencils';
import { STENCIL_PART_WORDS } from '@/wording/stencils';

/** Which stencil lies under this listing and what it says of it; or the way to keep what it says as one. */
export function StencilLine({ item, examined }: { item: Item; examined: Examined }) {
  const router = useRouter();
  const { sheet, plan, laid } = examined;
  const { stencil, by } = laid;
  const { marketplace: market, name } = sheet;
  const own = STENCIL_PARTS.filter((part) => isOwnPart(plan, part));
  if (!stencil)
    return <Keep item={item} examined={examined} canKeep={own.some((part) => part !== 'words')} />;
  const instead = own.filter((part) => says(stencil, part));
  return (
    <View role="group" aria-label={`Stencil on ${name}`} style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {by.size === 0
          ? `Stencil “${stencil.name}”: all of it is said otherwise here.`
          : `From the stencil “${stencil.name}”: ${[...by].map((p) => STENCIL_PART_WORDS[p]).join(', ')}.`}
      </Text>
      <ChipRow label={`The stencil on ${name}`} radio={false}>
        <Chip
          role="button"
          on={false}
          label={`Take the stencil off on ${name}`}
          onPress={() => layStencil([item.id], market, null)}
        >
          Take it off
        </Chip>
        <Chip
          role="button"
          on={false}
          label={`Change the stencil ${stencil.name}`}
          onPress={() => router.navigate(`/stencils?market=${market}&open=${stencil.id}`)}
        >
          Change it
        </Chip>
        {instead.map((part) => (
          <Chip
            key={part}
            role="button"
            on={false}
            label={`Give ${STENCIL_PART_WORDS[part]} back to the stencil on ${name}`}
            onPress={() => giveBack(item.id, market, part)}
          >
            {`Give back: ${STENCIL_PART_WORDS[part]}`}
          </Chip>
        ))}
      </ChipRow>
    </View>
  );
}

/** What this listing says itself, under a name, for the next of its kind. */
function Keep({ item, examined, canKeep }: { item: Item; examined: Examined; canKeep: boolean }) {
  const { sheet, plan } = examined;
  const kinds = useKinds();
  const kind = kinds.get(item.kind)?.name ?? 'Items';
  const [name, setName] = useState<string | null>(null);
  const market = sheet.marketplace;
  const keep = () => {
    if (name?.trim()) keepAsStencil(item.id, market, name.trim());
    setName(null);
  };
  if (plan?.stencil?.id === null)
    return (
      <Chip
        role="button"
        on={false}
        label={`Lay the usual stencil under it on ${sheet.name}`}
        onPress={() => layStencil([item.id], market, undefined)}
      >
        With the usual stencil
      </Chip>
    );
  if (!canKeep) return null;
  if (name === null)
    return (
      <Button
        variant="quiet"
        label={`Keep this as a stencil for ${sheet.name}`}
        onPress={() => setName(kind)}
      >
        Keep this for the next of its kind
      </Button>
    );
  return (
    <View style={{ gap: 8 }}>
      <Field
        label="Name of the stencil"
        value={name}
        maxLength={80}
        pause={0}
        onChange={setName}
        onEnter={keep}
      />
      <Text variant="small" tone="soft">
        {`The next ${kind.toLocaleLowerCase('en')} on ${sheet.name} begins with it. ` +
          'It can be changed, and taken off one listing again.'}
      </Text>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Button variant="main" disabled={name.trim() === ''} onPress={keep}>
          Keep it
        </Button>
        <Button variant="quiet" onPress={() => setName(null)}>
          Not now
        </Button>
      </View>
    </View>
  );
}
