import { PatternField } from '@/parts/trade/PatternField';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';

import { useSample, useTokens } from './useTokens';

/** What search engines show of items in the seller's own shop. */
export function ShopPatterns() {
  const shop = useAttic((s) => s.settings.shop);
  const may = useTokens(useSample());
  const set = (part: Partial<typeof shop>) => setSettings({ shop: { ...shop, ...part } });
  return (
    <Card label="Your own shop">
      <Text variant="heading">Your own shop</Text>
      <Text tone="soft">What search engines show of an item’s page there: patterns, too.</Text>
      <Field
        label="Name of the shop"
        value={shop.name}
        maxLength={40}
        onChange={(name) => set({ name: name.trim() })}
      />
      <Field
        label="Address of the shop"
        value={shop.address}
        maxLength={300}
        placeholder="https://"
        refuse={(t) =>
          t.trim() === '' || /^https?:\/\/\S+$/u.test(t.trim()) ? null : 'An address begins with https://.'
        }
        onChange={(address) => set({ address: address.trim() })}
      />
      <PatternField
        label="Title for search engines"
        value={shop.title}
        maxLength={400}
        {...may}
        onChange={(title) => set({ title })}
      />
      <PatternField
        label="Description for search engines"
        value={shop.description}
        multiline
        maxLength={2_000}
        {...may}
        onChange={(description) => set({ description })}
      />
    </Card>
  );
}
