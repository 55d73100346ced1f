import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { SheetSpecific } from '@/contract/ruleSheet';
import type { Examined } from '@/core/listing/examine';
import { translate } from '@/core/mapping/values';
import { countAs } from '@/core/words/count';
import { titleFromFacts } from '@/core/words/title';
import { CategoryChoice } from '@/parts/trade/CategoryChoice';
import { FieldAnswer } from '@/parts/trade/FieldAnswer';
import { MoneyField } from '@/parts/trade/MoneyField';
import { FieldFindings } from '@/parts/trade/Section';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { kindsNow } from '@/store/items/kinds';
import { editOwn } from '@/store/items/stencils';

import { DiffersHere } from './DiffersHere';
import { Extras, type SetOwn } from './Extras';
import { Question } from './Question';
import { StencilLine } from './StencilLine';
import { withChanged } from './withAnswer';

/** What differs on this marketplace, what it replaces, and what only this marketplace asks. */
export function OwnValues({ item, examined }: { item: Item; examined: Examined }) {
  const { sheet } = examined;
  const set: SetOwn = (label, part) => editOwn(item.id, examined, label, part);
  const part: PartProps = { item, examined, set };
  return (
    <>
      <DiffersHere item={item} examined={examined} />
      <OwnOnes {...part} />
      <Different {...part} />
      <CategoryChoice
        item={item}
        examined={examined}
        onChoose={(category) => set('category', { category })}
      />
      {fromOwnLists(item, examined).map((field) => (
        <ListedAnswer key={field.id} {...part} field={field} />
      ))}
      {sheet.questions.map((question) => (
        <Question key={question.id} item={item} examined={examined} question={question} />
      ))}
      <Extras item={item} examined={examined} set={set} />
      <StencilLine item={item} examined={examined} />
    </>
  );
}

/** What it has to be told from the marketplace's own lists, since the item's own words are none of them. */
function fromOwnLists(item: Item, { plan, effective }: Examined): SheetSpecific[] {
  return (effective.category?.specifics ?? []).filter(
    (field) =>
      field.choices &&
      // What takes words of one's own is filled from the facts.
      !field.own &&
      field.need === 'required' &&
      (plan?.specifics[field.id] !== undefined || (effective.specifics[field.id] ?? '') === '') &&
      translate(item.facts[field.id] ?? '', field.choices) === null,
  );
}

/** Only what this marketplace asks and was not answered when it was opened; nothing where all is. */
export function AskedThere({ item, examined }: { item: Item; examined: Examined }) {
  const { sheet, plan, effective } = examined;
  // Whatever was asked stays in sight: an answer can be put right.
  const [asked] = useState(
    () => new Set(sheet.questions.filter((q) => !effective.answers[q.id]).map((q) => q.id)),
  );
  const listed = fromOwnLists(item, examined);
  const questions = sheet.questions.filter((q) => asked.has(q.id) && q.required);
  const isCategoryOpen = effective.category === null || plan?.category != null;
  const set: SetOwn = (label, part) => editOwn(item.id, examined, label, part);
  if (listed.length + questions.length === 0 && !isCategoryOpen) return null;
  return (
    <View role="group" aria-label={`Asked on ${sheet.name}`} style={{ gap: 8 }}>
      <Text variant="strong">{sheet.name}</Text>
      {isCategoryOpen ? (
        <CategoryChoice
          item={item}
          examined={examined}
          onChoose={(category) => set('category', { category })}
        />
      ) : null}
      {listed.map((field) => (
        <ListedAnswer key={field.id} item={item} examined={examined} set={set} field={field} />
      ))}
      {questions.map((question) => (
        <Question key={question.id} item={item} examined={examined} question={question} />
      ))}
    </View>
  );
}

interface PartProps {
  item: Item;
  examined: Examined;
  set: SetOwn;
}

/** Title, price and description of its own, where it has them. */
function OwnOnes({ examined, set }: PartProps) {
  const { sheet, plan } = examined;
  const currency = useAttic((s) => s.settings.currency);
  const at = ` on ${sheet.name}`;
  const title = plan?.title ?? null;
  const price = plan?.price ?? null;
  const description = plan?.description ?? null;
  return (
    <>
      {title === null ? null : (
        <>
          <Field
            label={`Title${at}`}
            value={title}
            hint={`${countAs(title, sheet.title.counts)} of ${sheet.title.max}`}
            onChange={(text) => set('title', { title: text })}
          />
          <FieldFindings examined={[examined]} field="title" />
        </>
      )}
      {price === null ? null : (
        <>
          <MoneyField
            label={`Price${at}`}
            value={price}
            currency={currency}
            emptied="Type an amount, or give it back to use the shared price."
            onChange={(amount) => set('price', { price: amount })}
          />
          <FieldFindings examined={[examined]} field="price" />
        </>
      )}
      {description === null ? null : (
        <>
          <Field
            label={`Description${at}`}
            value={description}
            multiline
            hint={`${countAs(description, sheet.description.counts)} of ${sheet.description.max}`}
            onChange={(text) => set('description', { description: text })}
          />
          <FieldFindings examined={[examined]} field="description" />
        </>
      )}
    </>
  );
}

/** What may differ here and does not yet. */
function Different({ item, examined, set }: PartProps) {
  const { sheet, plan } = examined;
  const at = ` on ${sheet.name}`;
  const title = plan?.title ?? null;
  const price = plan?.price ?? null;
  const description = plan?.description ?? null;
  if (title !== null && price !== null && description !== null) return null;
  return (
    <View style={{ gap: 5 }}>
      <Text variant="small" tone="soft">
        Different here
      </Text>
      <ChipRow label={`Different${at}`} radio={false}>
        {title === null ? (
          <Chip
            role="button"
            on={false}
            label={`Own title${at}`}
            onPress={() =>
              set('title', {
                title:
                  titleFromFacts(item, kindsNow(), sheet.title.max, sheet.title.counts) ||
                  item.title.slice(0, sheet.title.max),
              })
            }
          >
            Title
          </Chip>
        ) : null}
        {price === null ? (
          <Chip
            role="button"
            on={false}
            label={`Own price${at}`}
            onPress={() => set('price', { price: item.price ?? sheet.price.min })}
          >
            Price
          </Chip>
        ) : null}
        {description === null ? (
          <Chip
            role="button"
            on={false}
            label={`Own description${at}`}
            onPress={() => set('description', { description: item.description })}
          >
            Description
          </Chip>
        ) : null}
      </ChipRow>
    </View>
  );
}

/** An answer the marketplace wants from its own list. */
function ListedAnswer({ item, examined, set, field }: PartProps & { field: SheetSpecific }) {
  const { sheet, effective } = examined;
  const at = ` on ${sheet.name}`;
  return (
    <View style={{ gap: 5 }}>
      <Text variant="small" tone="soft">
        {`${field.label}${at}${item.facts[field.id] ? `, for “${item.facts[field.id]}”` : ''}`}
      </Text>
      <FieldAnswer
        field={field}
        label={`${field.label}${at}`}
        value={effective.specifics[field.id] ?? ''}
        onChange={(change) =>
          set(field.label.toLocaleLowerCase('en'), (now) => ({
            specifics: withChanged(now.specifics, field.id, effective.specifics[field.id], change),
          }))
        }
      />
    </View>
  );
}
