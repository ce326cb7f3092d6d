import { checkRuleValue, DEFAULT_RULES, type Rule, type ShopRule } from '../../core/base/rules';
import { tryInput } from '../../core/base/errors';
import { NotFound } from '../errors';
import type { Db } from './open-db';

interface Row {
  key: string;
  value: string;
  note: string;
  changedBy: string;
  reason: string;
  changedAt: string;
}

/** The shop's rules: the shipped ones with its own changes over them. */
export const ruleStore = (db: Db) => {
  const all = db.prepare<[], Row>(
    'SELECT key, value, note, changed_by AS changedBy, reason, changed_at AS changedAt FROM rules',
  );
  const put = db.prepare(
    `INSERT INTO rules (key, value, note, changed_by, reason, changed_at) VALUES (@key, @value, @note, @who, @reason, @at)
     ON CONFLICT (key) DO UPDATE SET value = excluded.value, note = excluded.note, changed_by = excluded.changed_by,
       reason = excluded.reason, changed_at = excluded.changed_at`,
  );
  const remember = db.prepare(
    `INSERT INTO rule_changes (key, old_value, new_value, changed_by, reason, changed_at)
     VALUES (@key, @old, @value, @who, @reason, @at)`,
  );

  const list = (): ShopRule[] => {
    const changed = new Map(all.all().map((row) => [row.key, row]));
    return DEFAULT_RULES.map((rule) => {
      const row = changed.get(rule.key);
      // What an earlier program took and the rule of today cannot hold is not the shop's value any
      // more.
      if (!row || !tryInput(() => checkRuleValue(rule, JSON.parse(row.value))).ok)
        return { ...rule, shipped: rule.value, changedBy: null, reason: null, changedAt: null };
      const value = JSON.parse(row.value) as Rule['value'];
      const basis = value === rule.value ? rule.basis : 'shop rule';
      return {
        ...rule,
        value,
        basis,
        note: row.note,
        shipped: rule.value,
        changedBy: row.changedBy,
        reason: row.reason,
        changedAt: row.changedAt,
      };
    });
  };

  const change = db.transaction(
    (
      key: string,
      to: { value: unknown; note: string; who: string; reason: string },
      at: string,
    ): ShopRule => {
      const rule = list().find((r) => r.key === key);
      if (!rule) throw new NotFound(`There is no rule ${key}.`);
      checkRuleValue(rule, to.value);
      const value = JSON.stringify(to.value);
      remember.run({
        key,
        old: JSON.stringify(rule.value),
        value,
        who: to.who,
        reason: to.reason,
        at,
      });
      put.run({ key, value, note: to.note, who: to.who, reason: to.reason, at });
      return list().find((r) => r.key === key)!;
    },
  );

  return {
    list,
    /** Throws `InputError` for a value that the rule cannot hold, `NotFound` for an unknown key. */
    change: (
      key: string,
      to: { value: unknown; note: string; who: string; reason: string },
      at = new Date().toISOString(),
    ) => change.immediate(key, to, at),
  };
};
export type RuleStore = ReturnType<typeof ruleStore>;
