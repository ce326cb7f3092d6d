import { valueWord } from '../../../core/base/value-words';
import type { ComponentProps, ReactNode } from 'react';
import type { FieldForm, NamedField } from '../../../core/base/field-form';
import { DEFAULT_RULES } from '../../../core/base/rules';
import { Button } from '../../parts/Button';
import { selectCurrency, useApp } from '../../store';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import {
  emptyDraft,
  fieldsOfKind,
  type Draft,
  type RecordDraft,
  type RuleDraft,
} from './input-draft';

/** The fault, and the path of the field with it. */
export interface AtField {
  path: string;
  text: string;
}

interface ControlProps<Form extends FieldForm = FieldForm> {
  form: Form;
  label: string;
  /** As the core names it: `stock[2].massG`. */
  path: string;
  draft: Draft;
  problem: AtField | null;
  onChange: (draft: Draft) => void;
}

const Group = ({
  label,
  problem,
  children,
}: {
  label: string;
  problem: string | null;
  children: ReactNode;
}) => (
  <fieldset className="border-l-4 border-stone3 pl-3">
    <legend className="head text-[17px]">{label}</legend>
    {problem && (
      <p role="alert" className="text-stop">
        {problem}
      </p>
    )}
    <div className="space-y-2">{children}</div>
  </fieldset>
);

const changed = <T,>(list: readonly T[], i: number, to: T): T[] =>
  list.map((x, j) => (j === i ? to : x));

const ListControl = ({
  form,
  label,
  path,
  draft,
  problem,
  onChange,
}: ControlProps<Extract<FieldForm, { as: 'list' }>>) => {
  const items = draft as Draft[];
  const what = form.itemSays || label;
  return (
    <Group
      label={`${label} (${items.length})`}
      problem={problem?.path === path ? problem.text : null}
    >
      {items.map((item, i) => (
        <div key={i} className="flex items-end gap-2">
          <div className="min-w-0 flex-1">
            <Control
              form={form.item}
              label={`${what} ${i + 1}`}
              path={`${path}[${i}]`}
              draft={item}
              problem={problem}
              onChange={(to) => onChange(changed(items, i, to))}
            />
          </div>
          <Button small onClick={() => onChange(items.filter((_, j) => j !== i))}>
            Remove
            <span className="sr-only">
              {' '}
              with {what} {i + 1}
            </span>
          </Button>
        </div>
      ))}
      <Button small onClick={() => onChange([...items, emptyDraft(form.item)])}>
        Add
        <span className="sr-only"> in {label}</span>
      </Button>
    </Group>
  );
};

const KindControl = ({
  form,
  label,
  path,
  draft,
  problem,
  onChange,
}: ControlProps<Extract<FieldForm, { as: 'one of' }>>) => {
  const record = draft as RecordDraft;
  const kind = record.kind as string;
  const toKind = (to: string) =>
    onChange({
      ...(emptyDraft({ as: 'record', fields: fieldsOfKind(form, to) }) as RecordDraft),
      kind: to,
    });
  return (
    <Group label={label} problem={problem?.path === path ? problem.text : null}>
      <ChoiceField
        label="Kind"
        value={kind}
        onChange={toKind}
        options={form.kinds.map((k) => [k.kind, k.kind] as const)}
      />
      <RecordControl
        fields={fieldsOfKind(form, kind)}
        path={path}
        draft={record}
        problem={problem}
        onChange={(to) => onChange({ ...to, kind })}
      />
    </Group>
  );
};

const RULES = [
  ['', 'pick a rule'] as const,
  ...DEFAULT_RULES.map((rule) => [rule.key, rule.says] as const),
];

const RulesControl = ({
  label,
  draft,
  onChange,
}: Pick<ControlProps, 'label' | 'draft' | 'onChange'>) => {
  const rules = draft as RuleDraft[];
  return (
    <Group label={`${label} (${rules.length === 0 ? 'as shipped' : rules.length})`} problem={null}>
      {rules.map((rule, i) => (
        <div key={i} className="flex items-end gap-2">
          <div className="min-w-0 flex-1">
            <ChoiceField
              label={`Rule ${i + 1}`}
              value={rule.key}
              onChange={(key) => onChange(changed(rules, i, { ...rule, key }))}
              options={RULES}
            />
          </div>
          <div className="w-36">
            <TextField
              label="Value, in SI units"
              value={rule.value}
              onChange={(value) => onChange(changed(rules, i, { ...rule, value }))}
              maxLength={60}
            />
          </div>
          <Button small onClick={() => onChange(rules.filter((_, j) => j !== i))}>
            Remove<span className="sr-only"> with rule {i + 1}</span>
          </Button>
        </div>
      ))}
      <Button small onClick={() => onChange([...rules, { key: '', value: '' }])}>
        Override a rule
      </Button>
    </Group>
  );
};

const YES = [
  ['', 'not set'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

const MoneyField = ({ label, ...rest }: ComponentProps<typeof TextField>) => {
  const currency = useApp(selectCurrency);
  return <TextField label={`${label}, ${currency}`} {...rest} />;
};

/** The control of any field, by what it takes. */
const Control = ({ form, label, path, draft, problem, onChange }: ControlProps) => {
  const common = {
    label,
    value: draft as string,
    onChange,
    problem: problem?.path === path ? problem.text : null,
  };
  switch (form.as) {
    case 'list':
      return (
        <ListControl
          form={form}
          label={label}
          path={path}
          draft={draft}
          problem={problem}
          onChange={onChange}
        />
      );
    case 'one of':
      return (
        <KindControl
          form={form}
          label={label}
          path={path}
          draft={draft}
          problem={problem}
          onChange={onChange}
        />
      );
    case 'rules':
      return <RulesControl label={label} draft={draft} onChange={onChange} />;
    case 'record':
      return (
        <Group label={label} problem={problem?.path === path ? problem.text : null}>
          <RecordControl
            fields={form.fields}
            path={path}
            draft={draft as RecordDraft}
            problem={problem}
            onChange={onChange}
          />
        </Group>
      );
    case 'number':
      return <QuantityField {...common} unit={form.unit} signed />;
    case 'money':
      return <MoneyField {...common} />;
    case 'yes':
      return <ChoiceField {...common} options={YES} />;
    case 'choice':
      return (
        <ChoiceField
          {...common}
          options={[
            ['', 'not set'] as const,
            ...form.of.map((word) => [word, valueWord(word)] as const),
          ]}
        />
      );
    case 'text':
      return <TextField {...common} />;
  }
};

interface RecordProps {
  fields: readonly NamedField[];
  path: string;
  draft: RecordDraft;
  problem: AtField | null;
  onChange: (draft: RecordDraft) => void;
}

const isSmall = ({ form }: NamedField): boolean =>
  !['list', 'one of', 'rules', 'record'].includes(form.as);

/** The fields of a record, small ones side by side. */
export const RecordControl = ({ fields, path, draft, problem, onChange }: RecordProps) => (
  <div className="grid grid-cols-1 items-start gap-x-3 gap-y-2 sm:grid-cols-2">
    {fields.map((field) => (
      <div key={field.name} className={isSmall(field) ? '' : 'sm:col-span-2'}>
        <Control
          form={field.form}
          label={field.required ? field.says : `${field.says}, optional`}
          path={path ? `${path}.${field.name}` : field.name}
          draft={draft[field.name] ?? emptyDraft(field.form)}
          problem={problem}
          onChange={(to) => onChange({ ...draft, [field.name]: to })}
        />
      </div>
    ))}
  </div>
);
