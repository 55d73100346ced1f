import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { STENCIL_PARTS, type Stencil } from '@/contract/stencil';
import { plural } from '@/core/language/plural';
import { says } from '@/core/stencils/stencils';
import { NoSuchMarket } from '@/parts/trade/NoSuchMarket';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { addStencil } from '@/store/items/stencils';
import { STENCIL_PART_WORDS } from '@/wording/stencils';

import { StencilEditor } from './StencilEditor';

/** A marketplace's stencils: what listings there begin with, under a name. */
export function StencilsPage() {
  const { market = '', open: asked = '' } = useLocalSearchParams<{ market?: string; open?: string }>();
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const stencils = useAttic((s) => s.stencils);
  const [open, setOpen] = useState<string | null>(asked || null);
  if (!sheet) return <NoSuchMarket title="Stencils" market={market} />;
  const here = Object.values(stencils)
    .filter((s) => s.market === market)
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return (
    <Page title={`Stencils of ${sheet.name}`} back="/connections">
      <Text tone="soft">
        What you usually say of a listing there, kept under a name. It lies under every listing of its kinds;
        what one says itself stays, and changing it here changes all drafts that lie on it.
      </Text>
      {here.map((one) => (
        <Card key={one.id} label={`Stencil ${one.name}`}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <About stencil={one} />
            <Button
              variant="quiet"
              label={`Change the stencil ${one.name}`}
              onPress={() => setOpen(open === one.id ? null : one.id)}
            >
              {open === one.id ? 'Done' : 'Change'}
            </Button>
          </View>
          {open === one.id ? <StencilEditor stencil={one} sheet={sheet} /> : null}
        </Card>
      ))}
      <Button icon="add" onPress={() => setOpen(addStencil(market, 'New stencil'))}>
        Make a stencil
      </Button>
    </Page>
  );
}

/** Its name, what it says, and what it is for. */
function About({ stencil }: { stencil: Stencil }) {
  const kinds = useKinds();
  const parts = STENCIL_PARTS.filter((part) => says(stencil, part)).map((part) => STENCIL_PART_WORDS[part]);
  const names = stencil.kinds.flatMap((id) => kinds.get(id)?.name ?? []);
  const laid = useAttic(
    (s) =>
      Object.values(s.plans).filter((p) => p.market === stencil.market && p.stencil?.id === stencil.id)
        .length,
  );
  return (
    <View style={{ flex: 1 }}>
      <Text variant="strong">{stencil.name}</Text>
      <Text variant="small" tone="soft">
        {parts.length === 0 ? 'says nothing yet' : parts.join(', ')}
      </Text>
      <Text variant="small" tone="soft" figures>
        {[
          names.length === 0 ? 'only where it is chosen' : `by itself for ${names.join(', ')}`,
          laid > 0 ? plural(laid, 'chosen for one listing', `chosen for ${laid} listings`) : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </View>
  );
}
