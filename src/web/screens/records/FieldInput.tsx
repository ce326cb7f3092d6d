import { valueWord } from '../../../core/base/value-words';
import type { DatedNumber, Field } from '../../../core/shop/records';
import { RENEWS } from '../../../core/fit/wheels';
import { Button } from '../../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import { RecordPick } from '../../shared/RecordPick';
import { DrawnChoice } from './DrawnChoice';
import { today } from '../../store';
import type { DatedDraft, FastenerDraft, FieldDraft } from './record-draft';

interface Props {
  field: Field;
  value: FieldDraft;
  problem: string | null;
  onChange: (value: FieldDraft) => void;
}

const replaced = <T,>(list: readonly T[], i: number, part: Partial<T>): T[] =>
  list.map((x, j) => (j === i ? { ...x, ...part } : x));

const Fasteners = ({
  list,
  onChange,
  label,
}: {
  list: FastenerDraft[];
  onChange: (list: FastenerDraft[]) => void;
  label: string;
}) => (
  <fieldset className="col-span-full border-t-2 border-ink pt-2">
    <legend className="head pr-3 text-xl">{label}</legend>
    {list.map((f, i) => (
      <div
        key={i}
        className="mb-3 grid grid-cols-2 items-end gap-3 sm:grid-cols-[3fr_2fr_3fr_2fr_2fr_auto]"
      >
        <TextField
          label="Fastener"
          value={f.name}
          maxLength={60}
          onChange={(name) => onChange(replaced(list, i, { name }))}
        />
        <ChoiceField
          label="Wheel"
          value={f.wheel}
          onChange={(wheel) =>
            onChange(replaced(list, i, { wheel: wheel as FastenerDraft['wheel'] }))
          }
          options={[
            ['front', 'front'],
            ['rear', 'rear'],
            ['any', 'any'],
          ]}
        />
        <QuantityField
          label="Torque"
          unit="Nm"
          value={f.torque}
          onChange={(torque) => onChange(replaced(list, i, { torque }))}
        />
        <TextField
          label="Socket"
          value={f.socket}
          maxLength={20}
          onChange={(socket) => onChange(replaced(list, i, { socket }))}
        />
        <ChoiceField
          label="New each time"
          value={f.renews}
          onChange={(renews) =>
            onChange(replaced(list, i, { renews: renews as FastenerDraft['renews'] }))
          }
          options={RENEWS.map((r) => [r, valueWord(r)] as const)}
        />
        <Button small onClick={() => onChange(list.filter((_, j) => j !== i))}>
          Remove<span className="sr-only"> with {f.name}</span>
        </Button>
      </div>
    ))}
    <Button
      small
      onClick={() =>
        onChange([...list, { name: '', wheel: 'any', torque: '', socket: '', renews: 'nothing' }])
      }
    >
      Add fastener
    </Button>
  </fieldset>
);

const DatedList = ({
  list,
  of,
  onChange,
  label,
}: {
  list: DatedDraft[];
  of: readonly DatedNumber[];
  onChange: (list: DatedDraft[]) => void;
  label: string;
}) => (
  <fieldset className="col-span-full border-t-2 border-ink pt-2">
    <legend className="head pr-3 text-xl">{label}</legend>
    {list.map((r, i) => (
      <div
        key={i}
        className="mb-3 grid grid-cols-2 items-end gap-3 sm:grid-cols-[3fr_3fr_3fr_auto]"
      >
        <TextField
          label="Measured on"
          type="date"
          value={r.onDate}
          onChange={(onDate) => onChange(replaced(list, i, { onDate }))}
        />
        {of.map((n) => (
          <QuantityField
            key={n.key}
            label={n.label}
            unit={n.unit}
            value={r[n.key] ?? ''}
            onChange={(text) =>
              onChange(replaced(list, i, { [n.key]: text } as Partial<DatedDraft>))
            }
          />
        ))}
        <Button small onClick={() => onChange(list.filter((_, j) => j !== i))}>
          Remove<span className="sr-only"> with {r.onDate}</span>
        </Button>
      </div>
    ))}
    <Button small onClick={() => onChange([...list, { onDate: today() } as DatedDraft])}>
      Add measurement
    </Button>
  </fieldset>
);

/** The control for a field, by its form. */
export const FieldInput = ({ field, value, problem, onChange }: Props) => {
  const { form } = field;
  if (form.as === 'fasteners')
    return <Fasteners list={value as FastenerDraft[]} onChange={onChange} label={field.label} />;
  if (form.as === 'dated')
    return (
      <DatedList
        list={value as DatedDraft[]}
        of={form.of}
        onChange={onChange}
        label={field.label}
      />
    );
  const common = {
    label: field.label,
    value: value as string,
    onChange,
    problem,
    ...(field.hint ? { hint: field.hint } : {}),
  };
  switch (form.as) {
    case 'yes':
      return (
        <ChoiceField
          {...common}
          options={[
            ['yes', 'yes'],
            ['no', 'no'],
          ]}
        />
      );
    case 'choice': {
      const options = [
        ...(field.may ? [['', 'not known'] as const] : []),
        ...form.of.map((v) => [v, form.words?.[v] ?? v] as const),
      ];
      return form.isDrawn ? (
        <DrawnChoice {...common} name={field.key} options={options} />
      ) : (
        <ChoiceField {...common} options={options} />
      );
    }
    case 'machine':
      return (
        <RecordPick
          kind="machines"
          none="pick one"
          nameOf={(m) => `${m.name}, ${m.rider}`}
          {...common}
        />
      );
    case 'quantity':
      return <QuantityField {...common} unit={form.unit} />;
    case 'whole':
    case 'money':
      return <QuantityField {...common} unit={null} />;
    case 'text':
      return <TextField {...common} maxLength={form.max} />;
    default:
      return <TextField {...common} maxLength={80} />;
  }
};
