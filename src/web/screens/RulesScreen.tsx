import { valueWord } from '../../core/base/value-words';
import { Dialog } from 'radix-ui';
import { joiResolver } from '@hookform/resolvers/joi';
import Joi from 'joi';
import { useMemo, useState } from 'react';
import { useForm } from 'react-hook-form';
import { BASIS_WORDS } from '../../core/base/basis';
import { InputError } from '../../core/base/errors';
import { isMoneyRule, type ShopRule } from '../../core/base/rules';
import { formatMoney, parseMoney, writeMoney } from '../../core/base/units';
import { Button } from '../parts/Button';
import { TextField } from '../shared/fields';
import { FormChoice, FormQuantity, FormText } from '../shared/form-fields';
import { needed, typed } from '../shared/form-schema';
import { Frame, Waiting } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { useAddressTexts } from '../parts/use-address';
import { selectCurrency, useApp, useDo } from '../store';
import { api, ApiError } from '../store/api';
import { ruleChanged } from '../store/shop-slice';
import { Sheet } from '../parts/Sheet';
import { refusalText } from '../shared/refusal';

/** Values of rules as they are read and typed: quantities in the fitter's units, money as money. */
const useRuleText = () => {
  const { say, write } = useUnits();
  const currency = useApp(selectCurrency);
  const digits = (rule: ShopRule) =>
    rule.unit === 'mm' || rule.unit === 'years' ? { digits: 1 } : undefined;
  return {
    text: (rule: ShopRule, value = rule.value) => {
      if (typeof value === 'string') return valueWord(value);
      if (isMoneyRule(rule)) return formatMoney(value, currency);
      return rule.unit === null ? String(value) : say(value, rule.unit, digits(rule));
    },
    field: ({ value, ...rule }: ShopRule) => {
      if (typeof value === 'string') return value;
      if (isMoneyRule(rule)) return writeMoney(value, currency);
      return rule.unit === null ? String(value) : write(value, rule.unit, 2);
    },
    currency,
  };
};

interface RuleForm {
  value: string;
  note: string;
  reason: string;
}

/**
 * Reads a rule's typed value: a number in the fitter's unit, or one of its words. Throws
 * `InputError`.
 */
const readValue = (
  text: string,
  rule: ShopRule,
  read: ReturnType<typeof useUnits>['read'],
  currency: string,
): number | string => {
  if (rule.choices) return text;
  if (isMoneyRule(rule)) {
    const minor = parseMoney(text, currency);
    if (minor === null)
      throw new InputError('value', 'The value is not a price.', 'Enter an amount such as 12.50');
    return minor;
  }
  const plain = /^\d{1,6}(\.\d+)?$/.test(text) ? Number(text) : null;
  const number = rule.unit ? read(text, rule.unit) : plain;
  if (number === null)
    throw new InputError(
      'value',
      'The value is not a number.',
      'Enter a number, with a point or a comma',
    );
  return number;
};

const Editor = ({ rule, onDone }: { rule: ShopRule; onDone: () => void }) => {
  const dispatch = useDo();
  const { read } = useUnits();
  const { field, text, currency } = useRuleText();
  const who = useApp((s) => s.prefs.who);
  const schema = useMemo(
    () =>
      Joi.object({
        value: typed((text) => readValue(text, rule, read, currency)),
        note: Joi.string().allow('').max(300).required(),
        reason: needed('Enter the reason. It is saved with the rule.'),
      }),
    [rule, read, currency],
  );
  const { control, handleSubmit, setError } = useForm<RuleForm>({
    resolver: joiResolver(schema, { abortEarly: false }),
    defaultValues: { value: field(rule), note: rule.note, reason: '' },
  });
  const save = handleSubmit(async ({ value, note, reason }) => {
    if (!who)
      return setError('reason', {
        message: 'Choose who’s working first: tap the initials, top right.',
      });
    try {
      dispatch(
        ruleChanged(
          await api.changeRule(rule.key, {
            value: readValue(value, rule, read, currency),
            note,
            who,
            reason,
          }),
        ),
      );
      onDone();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setError(
        error.field === 'reason' ? 'reason' : 'value',
        { message: refusalText(error) },
        { shouldFocus: true },
      );
    }
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={(e) => void save(e)}>
      {rule.choices ? (
        <FormChoice
          control={control}
          name="value"
          label={rule.says}
          options={rule.choices.map((c) => [c, valueWord(c)] as const)}
        />
      ) : (
        <FormQuantity
          control={control}
          name="value"
          label={rule.says}
          unit={rule.unit}
          hint={`As shipped: ${text(rule, rule.shipped)}`}
        />
      )}
      <FormText control={control} name="note" label="Note" maxLength={300} />
      <FormText control={control} name="reason" label="Reason for change" maxLength={300} />
      <Button go type="submit">
        Change the rule
      </Button>
      <p className="text-[16px] text-ink2">Open jobs keep the values they started with.</p>
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
      <Frame title="Shop rules">
        <Waiting what="Loading rules" />
      </Frame>
    );
  const words = asked.find.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = rules.filter((r) =>
    words.every((w) =>
      `${r.group} ${r.says} ${r.note} ${BASIS_WORDS[r.basis]}`.toLowerCase().includes(w),
    ),
  );
  const groups = [...new Set(shown.map((r) => r.group))];
  return (
    <Frame title="Shop rules">
      <p className="mb-4 max-w-3xl text-ink2">
        This shop’s settings. “Unconfirmed” was not looked up: confirm it. Limits on the part itself
        always win.
      </p>
      <div className="mb-4 max-w-xl">
        <TextField
          label={`Search ${rules.length} rules`}
          value={asked.find}
          onChange={(find) => ask({ find })}
          maxLength={60}
        />
      </div>
      {groups.length === 0 && (
        <p className="py-10 text-center text-xl text-ink2">No matches. Try fewer words.</p>
      )}
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
                      <span className="basis">{BASIS_WORDS[r.basis]}</span>
                    </span>
                    <span className="text-[15px] text-ink2 max-md:col-span-2">
                      {r.changedBy ? r.note.replace(/([^.])$/, '$1.') : r.note}
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
        <Sheet title="Change a rule" closes="Cancel" widthPx={480}>
          {editing && <Editor rule={editing} onDone={() => setEditing(null)} />}
        </Sheet>
      </Dialog.Root>
    </Frame>
  );
};
