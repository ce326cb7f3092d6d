import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { ShopRule } from '../../core/rules';
import { Button } from '../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../parts/fields';
import { Frame, Waiting } from '../parts/Frame';
import { useUnits } from '../parts/quantity';
import { useAddressTexts } from '../parts/use-address';
import { useApp, useDo } from '../store';
import { api, ApiError } from '../store/api';
import { ruleChanged } from '../store/shop-slice';
import { Sheet } from '../parts/Sheet';

const useRuleText = () => {
  const { say, write } = useUnits();
  const digits = (rule: ShopRule) => (rule.unit === 'mm' || rule.unit === 'years' ? { digits: 1 } : undefined);
  return {
    text: (rule: ShopRule, value = rule.value) =>
      typeof value === 'string' || rule.unit === null ? String(value) : say(value, rule.unit, digits(rule)),
    field: (rule: ShopRule) =>
      typeof rule.value === 'string' || rule.unit === null ? String(rule.value) : write(rule.value, rule.unit, 2),
  };
};

const Editor = ({ rule, onDone }: { rule: ShopRule; onDone: () => void }) => {
  const dispatch = useDo();
  const { read } = useUnits();
  const { field, text } = useRuleText();
  const who = useApp((s) => s.prefs.who);
  const [value, setValue] = useState(field(rule));
  const [note, setNote] = useState(rule.note);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);

  const save = async () => {
    const number = rule.choices
      ? null
      : rule.unit
        ? read(value, rule.unit)
        : /^\d{1,6}(\.\d+)?$/.test(value)
          ? Number(value)
          : null;
    if (!rule.choices && number === null) return setProblem({ field: 'value', text: 'The value is not a number.' });
    if (!reason.trim()) return setProblem({ field: 'reason', text: 'Say why: it is kept with the rule.' });
    if (!who)
      return setProblem({ field: 'reason', text: 'Say first who is at the bench: the round stamp at the top right.' });
    try {
      dispatch(
        ruleChanged(
          await api.changeRule(rule.key, { value: rule.choices ? value : number!, note, who, reason: reason.trim() }),
        ),
      );
      onDone();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem({
        field: error.field === 'reason' ? 'reason' : 'value',
        text: `${error.message} Right would be ${error.expected}.`,
      });
    }
  };
  const valueProblem = problem?.field === 'value' ? problem.text : null;
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      {rule.choices ? (
        <ChoiceField
          label={rule.says}
          value={value}
          onChange={setValue}
          options={rule.choices.map((c) => [c, c] as const)}
          problem={valueProblem}
        />
      ) : (
        <QuantityField
          label={rule.says}
          unit={rule.unit}
          value={value}
          onChange={setValue}
          problem={valueProblem}
          hint={`As shipped: ${text(rule, rule.shipped)}`}
        />
      )}
      <TextField label="Note" value={note} onChange={setNote} maxLength={300} />
      <TextField
        label="Why it changes"
        value={reason}
        onChange={setReason}
        maxLength={300}
        problem={problem?.field === 'reason' ? problem.text : null}
      />
      <Button go type="submit">
        Change the rule
      </Button>
      <p className="text-[16px] text-ink2">Jobs already open keep the values they were begun with.</p>
    </form>
  );
};

const IN_ADDRESS = ['find'] as const;

/** Every threshold and school of the shop, with where it comes from. */
export const RulesScreen = () => {
  const rules = useApp((s) => s.shop.shop?.rules);
  const { text } = useRuleText();
  const [editing, setEditing] = useState<ShopRule | null>(null);
  const [asked, ask] = useAddressTexts(IN_ADDRESS);
  if (!rules)
    return (
      <Frame title="Rules">
        <Waiting what="Reading the rules" />
      </Frame>
    );
  const words = asked.find.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = rules.filter((r) =>
    words.every((w) => `${r.group} ${r.says} ${r.note} ${r.basis}`.toLowerCase().includes(w)),
  );
  const groups = [...new Set(shown.map((r) => r.group))];
  return (
    <Frame title="Rules">
      <p className="mb-4 max-w-3xl text-ink2">
        What this shop goes by. “Memory” means recalled and not looked up: confirm it. Limits on the part itself always
        come before a rule.
      </p>
      <div className="mb-4 max-w-xl">
        <TextField
          label={`Find among ${rules.length} rules`}
          value={asked.find}
          onChange={(find) => ask({ find })}
          maxLength={60}
        />
      </div>
      {groups.length === 0 && <p className="py-10 text-center text-xl text-ink2">No rule fits. Take a word away.</p>}
      {groups.map((group) => (
        <section key={group} className="mb-6">
          <h2 className="mb-1 text-2xl">{group}</h2>
          <ul className="rows">
            {shown
              .filter((r) => r.group === group)
              .map((r) => (
                <li key={r.key}>
                  <button
                    type="button"
                    onClick={() => setEditing(r)}
                    className="grid min-h-12 w-full cursor-pointer grid-cols-[1fr_auto] items-center gap-x-4 border-b border-stone3 py-2 text-left hover:bg-stone2 md:grid-cols-[minmax(0,1.2fr)_150px_110px_minmax(0,1.6fr)]"
                  >
                    <span>{r.says}</span>
                    <span className="num text-right text-xl whitespace-nowrap">{text(r)}</span>
                    <span className="max-md:col-start-1">
                      <span className="basis">{r.basis}</span>
                    </span>
                    <span className="text-[15px] text-ink2 max-md:col-span-2">
                      {r.note}
                      {r.changedBy && ` Changed by ${r.changedBy}: ${r.reason}`}
                    </span>
                    <span className="sr-only">, change it</span>
                  </button>
                </li>
              ))}
          </ul>
        </section>
      ))}
      <Dialog.Root open={editing !== null} onOpenChange={(open) => !open && setEditing(null)}>
        <Sheet title="Change a rule" closes="Leave it as it is" widthPx={480}>
          {editing && <Editor rule={editing} onDone={() => setEditing(null)} />}
        </Sheet>
      </Dialog.Root>
    </Frame>
  );
};
