import { tryInput } from '../../core/base/errors';
import type { Line, LineOutcome } from '../../core/reports/exchange';
import { checkRuleValue } from '../../core/base/rules';
import type { Db } from '../db/open-db';
import { ruleStore } from '../db/rule-store';

/** Takes a person in, without a secret. */
export const personIn = (db: Db) => {
  const here = db.prepare<[string], { role: string; pace: string }>(
    'SELECT role, pace FROM people WHERE name = ?',
  );
  const add = db.prepare('INSERT INTO people (name, role, pace) VALUES (@name, @role, @pace)');
  return ({ name, role, pace }: Line<'person'>): LineOutcome => {
    const known = here.get(name);
    if (known) return known.role === role && known.pace === pace ? 'same' : 'stays';
    add.run({ name, role, pace });
    return 'new';
  };
};

/** Takes a rule in that this shop has not changed itself, and what was changed of the rules. */
export const ruleIn = (db: Db) => {
  const rules = ruleStore(db);
  const put = db.prepare(
    `INSERT INTO rules (key, value, note, changed_by, reason, changed_at)
     VALUES (@key, @value, @note, @changedBy, @reason, @changedAt)`,
  );
  const told = db.prepare<unknown[], 1>(
    `SELECT 1 FROM rule_changes WHERE key = @key AND old_value = @from AND new_value = @to
       AND changed_by = @changedBy AND changed_at = @changedAt`,
  );
  const tell = db.prepare(
    `INSERT INTO rule_changes (key, old_value, new_value, changed_by, reason, changed_at)
     VALUES (@key, @from, @to, @changedBy, @reason, @changedAt)`,
  );
  return {
    rule({ line: _line, ...row }: Line<'rule'>): LineOutcome {
      const rule = rules.list().find((r) => r.key === row.key);
      // What an earlier program had and this one cannot hold is no value of the shop anymore.
      if (!rule || !tryInput(() => checkRuleValue(rule, row.value)).ok) return 'stays';
      if (rule.changedAt !== null) return rule.value === row.value ? 'same' : 'stays';
      put.run({ ...row, value: JSON.stringify(row.value) });
      return 'new';
    },
    change({ line: _line, ...row }: Line<'rule-change'>): LineOutcome {
      const kept = { ...row, from: JSON.stringify(row.from), to: JSON.stringify(row.to) };
      if (told.get(kept)) return 'same';
      tell.run(kept);
      return 'new';
    },
  };
};

/** Takes in what is found again by its id and never changes: orders and rounds of practice. */
export const plainIn = (db: Db) => {
  const order = db.prepare<[string], { count: number; came: number | null }>(
    'SELECT count, came FROM orders WHERE id = ?',
  );
  const addOrder = db.prepare(
    `INSERT INTO orders (id, what, stock_id, count, supplier, job_ids, ordered_at, ordered_by, closed_at, closed_by, came)
     VALUES (@id, @what, @stockId, @count, @supplier, @jobIds, @orderedAt, @orderedBy, @closedAt, @closedBy, @came)`,
  );
  const round = db.prepare<[string], { seed: number }>(
    'SELECT seed FROM practice_runs WHERE id = ?',
  );
  const addRound = db.prepare(
    `INSERT INTO practice_runs (id, who, at, kind, level, seed, acts, good, cost, advised_cost, took_s)
     VALUES (@id, @who, @at, @kind, @level, @seed, @acts, @good, @cost, @advisedCost, @tookS)`,
  );
  const told = db.prepare<unknown[], 1>(
    `SELECT 1 FROM changes WHERE at = @at AND who IS @who AND kind = @kind AND of = @of AND fields = @fields`,
  );
  const tell = db.prepare(
    'INSERT INTO changes (at, who, kind, of, name, fields) VALUES (@at, @who, @kind, @of, @name, @fields)',
  );
  return {
    order({ line: _line, ...row }: Line<'order'>): LineOutcome {
      const came = row.came === null ? null : Number(row.came);
      const known = order.get(row.id);
      if (known) return known.count === row.count && known.came === came ? 'same' : 'stays';
      addOrder.run({ ...row, came, jobIds: JSON.stringify(row.jobIds) });
      return 'new';
    },
    practice({ line: _line, ...row }: Line<'practice'>): LineOutcome {
      const known = round.get(row.id);
      if (known) return known.seed === row.seed ? 'same' : 'stays';
      addRound.run({ ...row, acts: JSON.stringify(row.acts), good: Number(row.good) });
      return 'new';
    },
    change({ line: _line, ...row }: Line<'change'>): LineOutcome {
      const kept = { ...row, fields: JSON.stringify(row.fields) };
      if (told.get(kept)) return 'same';
      tell.run(kept);
      return 'new';
    },
  };
};
