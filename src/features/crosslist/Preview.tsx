import { useState } from 'react';
import { View } from 'react-native';

import type { Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { cleanHtml } from '@/core/words/html';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

/** What buyers there would read: the very values that are sent, nothing made up for show. */
export function Preview({ examined }: { examined: Examined }) {
  const { sheet, effective } = examined;
  const [open, setOpen] = useState(false);
  const c = useColours();
  const { title, price, postage, text, condition, tags, search, auction } = effective;
  const markup = sheet.description.markup;
  return (
    <View style={{ gap: 6 }}>
      <Button
        variant="quiet"
        label={`${open ? 'Put away' : 'See'} what buyers on ${sheet.name} read`}
        onPress={() => setOpen(!open)}
      >
        {open ? 'Put it away' : 'What buyers read'}
      </Button>
      {open ? (
        <View
          role="group"
          aria-label={`What buyers on ${sheet.name} read`}
          style={{ backgroundColor: c.raised, borderRadius: 8, padding: 10, gap: 6 }}
        >
          <Text variant="strong">{title || 'No title yet'}</Text>
          <Text figures>
            {[
              price === null
                ? 'no price yet'
                : `${auction ? 'bids from ' : ''}${formatMoney(price, sheet.currency)}`,
              sheet.handover === 'collect' || postage === null
                ? ''
                : postage === 0
                  ? 'postage included'
                  : `and ${formatMoney(postage, sheet.currency)} postage`,
              condition?.label ?? '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {markup ? (
            <div
              data-sent={text}
              style={{ fontFamily: FONT.text, fontSize: 14, lineHeight: '20px', color: c.ink }}
              // Made of our own text, and cleaned once more by the marketplace's list.
              dangerouslySetInnerHTML={{ __html: cleanHtml(text, markup) }}
            />
          ) : (
            <div
              data-sent={text}
              style={{
                fontFamily: FONT.text,
                fontSize: 14,
                lineHeight: '20px',
                color: c.ink,
                whiteSpace: 'pre-wrap',
              }}
            >
              {text}
            </div>
          )}
          {tags.length > 0 ? <Text variant="small" tone="soft">{`Tags: ${tags.join(' · ')}`}</Text> : null}
          {search ? (
            <View role="group" aria-label="What search engines show" style={{ gap: 2 }}>
              <Text variant="small" tone="soft">
                What search engines show
              </Text>
              <Text variant="strong">{search.title}</Text>
              <Text variant="small">{search.description}</Text>
              <Text variant="small" tone="soft">{`Keywords: ${search.keywords.join(', ')}`}</Text>
            </View>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
