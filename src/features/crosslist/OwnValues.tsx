import { useState } from 'react';
import { View } from 'react-native';

import type { Plan, Thing } from '@/contract/records';
import { suggestedCategory, translate } from '@/core/listing/mapping';
import { formatMoney } from '@/core/money/money';
import { countAs } from '@/core/words/count';
import { titleFromFacts } from '@/core/words/titleFromFacts';
import { Field } from '@/parts/Field';
import { MoneyField } from '@/parts/MoneyField';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import type { Examined } from '@/store/sending';
import { editPlan, rememberAnswer } from '@/store/things';

import { FieldFindings } from '../item/Section';

/** What differs on this marketplace, what it replaces, and what only this marketplace asks. */
export function OwnValues({ thing, examined }: { thing: Thing; examined: Examined }) {
  const { sheet, plan, effective } = examined;
  const currency = useAttic((s) => s.settings.currency);
  const set = (label: string, part: Partial<Plan>) => editPlan(thing.id, sheet.marketplace, `${label} on ${sheet.name}`, part);
  const at = ` on ${sheet.name}`;
  return (
    <>
      <Own
        label={`Own title${at}`}
        differs={plan?.title != null}
        replaces={thing.title ? `“${thing.title}”` : 'no title'}
        onGiveBack={() => set('title', { title: null })}
        onDiffer={() => set('title', { title: titleFromFacts(thing, sheet.title.max, sheet.title.counts) || thing.title.slice(0, sheet.title.max) })}
      >
        <Field
          label={`Title${at}`}
          value={plan?.title ?? ''}
          hint={`${countAs(plan?.title ?? '', sheet.title.counts)} of ${sheet.title.max}`}
          onChange={(title) => set('title', { title })}
        />
      </Own>
      {plan?.title != null ? <FieldFindings examined={[examined]} field="title" /> : null}
      <Own
        label={`Own price${at}`}
        differs={plan?.price != null}
        replaces={thing.price === null ? 'no price' : formatMoney(thing.price, currency)}
        onGiveBack={() => set('price', { price: null })}
        onDiffer={() => set('price', { price: thing.price ?? sheet.price.min })}
      >
        <MoneyField label={`Price${at}`} value={plan?.price ?? null} currency={currency} onChange={(price) => set('price', { price: price ?? 0 })} />
      </Own>
      {plan?.price != null ? <FieldFindings examined={[examined]} field="price" /> : null}
      <Own
        label={`Own description${at}`}
        differs={plan?.description != null}
        replaces="the shared description"
        onGiveBack={() => set('description', { description: null })}
        onDiffer={() => set('description', { description: thing.description })}
      >
        <Field
          label={`Description${at}`}
          value={plan?.description ?? ''}
          multiline
          hint={`${countAs(plan?.description ?? '', sheet.description.counts)} of ${sheet.description.max}`}
          onChange={(description) => set('description', { description })}
        />
      </Own>
      {plan?.description != null ? <FieldFindings examined={[examined]} field="description" /> : null}
      <CategoryChoice thing={thing} examined={examined} onChoose={(category) => set('category', { category })} />
      {(effective.category?.specifics ?? [])
        .filter((field) => field.choices && field.need === 'required' && translate(thing.facts[field.id] ?? '', field.choices) === null)
        .map((field) => (
          <View key={field.id} style={{ gap: 5 }}>
            <Words kind="small" tone="soft">
              {`${field.label}${at}${thing.facts[field.id] ? `, for “${thing.facts[field.id]}”` : ''}`}
            </Words>
            <ChipRow label={`${field.label}${at}`}>
              {(field.choices ?? []).map((choice) => (
                <Chip
                  key={choice}
                  on={effective.specifics[field.id] === choice}
                  onPress={() => set(field.label.toLocaleLowerCase('en'), { specifics: { ...plan?.specifics, [field.id]: choice } })}
                >
                  {choice}
                </Chip>
              ))}
            </ChipRow>
          </View>
        ))}
      {sheet.questions.map((question) => (
        <Question key={question.id} thing={thing} examined={examined} question={question} />
      ))}
    </>
  );
}

interface OwnProps {
  label: string;
  differs: boolean;
  replaces: string;
  onGiveBack: () => void;
  onDiffer: () => void;
  children: React.ReactNode;
}

function Own({ label, differs, replaces, onGiveBack, onDiffer, children }: OwnProps) {
  if (!differs)
    return (
      <Chip role="button" on={false} label={label} onPress={onDiffer}>
        {label.replace(/ on .*/u, '')}
      </Chip>
    );
  return (
    <View style={{ gap: 4 }}>
      {children}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
        <Words kind="small" tone="soft" style={{ flex: 1 }} figures>
          {`instead of ${replaces}`}
        </Words>
        <Press kind="quiet" label={`Give back: ${label}`} onPress={onGiveBack}>
          Give back
        </Press>
      </View>
    </View>
  );
}

function CategoryChoice(props: { thing: Thing; examined: Examined; onChoose: (category: string | null) => void }) {
  const { thing, examined, onChoose } = props;
  const { sheet, effective } = examined;
  const [choosing, setChoosing] = useState(false);
  const parent = sheet.categories.find((c) => c.id === effective.category?.parent);
  const suggested = suggestedCategory(sheet.marketplace, thing.kind);
  if (!choosing)
    return (
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
        <Words style={{ flex: 1 }}>
          {effective.category ? `Category: ${[parent?.name, effective.category.name].filter(Boolean).join(' › ')}` : 'No category yet'}
        </Words>
        <Press kind="quiet" label={`Choose the category on ${sheet.name}`} onPress={() => setChoosing(true)}>
          Choose
        </Press>
      </View>
    );
  return (
    <ChipRow label={`Category on ${sheet.name}`}>
      {sheet.categories
        .filter((c) => c.leaf)
        .map((c) => (
          <Chip
            key={c.id}
            on={c.id === effective.category?.id}
            onPress={() => {
              onChoose(c.id === suggested ? null : c.id);
              setChoosing(false);
            }}
          >
            {c.name}
          </Chip>
        ))}
    </ChipRow>
  );
}

/** A question beyond the fields, drawn from the sheet: its type, choices, and help are the marketplace's. */
function Question(props: { thing: Thing; examined: Examined; question: Examined['sheet']['questions'][number] }) {
  const { thing, examined, question } = props;
  const { sheet, plan, effective } = examined;
  const settings = useAttic((s) => s.settings);
  const value = effective.answers[question.id] ?? '';
  const answer = (text: string) => {
    editPlan(thing.id, sheet.marketplace, `${question.label} on ${sheet.name}`, { answers: { ...plan?.answers, [question.id]: text } });
    rememberAnswer(settings, sheet.marketplace, question.id, text);
  };
  if (question.type === 'text') return <Field label={question.label} value={value} maxLength={400} hint={question.help} onChange={answer} />;
  return (
    <View style={{ gap: 5 }}>
      <Words kind="small" tone="soft">
        {[question.label, question.help].filter(Boolean).join('. ')}
      </Words>
      <ChipRow label={question.label}>
        {(question.choices ?? []).map((choice) => (
          <Chip key={choice} on={value === choice} onPress={() => answer(choice)}>
            {choice}
          </Chip>
        ))}
      </ChipRow>
    </View>
  );
}
