import express, { Router } from 'express';
import Joi from 'joi';
import { check } from '../../core/fields';
import { InputError } from '../../core/errors';
import { checkRecord, RECORD_KINDS, type RecordKind } from '../../core/shop';
import { wheelHistory } from '../../core/job';
import { crossSection, SECTION_FIELD, sectionLength } from '../../core/ring';
import type { UnitPreferences } from '../../core/units';
import { POSITION_WORDS } from '../../core/wheels';
import type { JobStore } from '../db/job-store';
import type { RecordStore } from '../db/record-store';
import { NotFound } from '../errors';
import { drawingSvg } from '../export/drawing-svg';
import { recordsCsv } from '../export/records-csv';
import type { WorkPool } from '../work';
import { checkQuery, goneOf, recordId, unitQuery } from './input';

const importQuery = Joi.object<{ apply: 'yes' | 'no' }>({
  apply: Joi.string().valid('yes', 'no').default('no').meta({ expected: 'apply: yes or no' }),
});

const kindOf = (value: string): RecordKind => {
  const kind = RECORD_KINDS.find((k) => k === value);
  if (!kind) throw new NotFound(`There are no records called ${value.slice(0, 40)}.`);
  return kind;
};

/** How many past jobs of a wheel are looked through. */
const MOST_JOBS = 20;

/** Machines, wheels and stock: read, add, change, archive; as CSV out and in. */
export const recordRoutes = (records: RecordStore, jobs: JobStore, work: WorkPool): Router => {
  const router = Router();
  const known = (id: string) => {
    const wheel = records.find('wheels', check<string>(recordId, id));
    const machine = wheel && records.find('machines', wheel.machineId);
    if (!wheel || !machine) throw new NotFound('There is no such wheel.');
    return { wheel, machine };
  };
  router.get('/records/:kind', (req, res) => void res.json({ records: records.list(kindOf(req.params.kind)) }));
  router.post('/records/:kind', (req, res) => {
    const kind = kindOf(req.params.kind);
    const it = checkRecord(kind, req.body);
    records.add(kind, it);
    res.status(201).json(records.find(kind, it.id));
  });
  router.put('/records/:kind/:id', (req, res) => {
    const kind = kindOf(req.params.kind);
    const it = checkRecord(kind, req.body);
    if (it.id !== req.params.id)
      throw new InputError('id', 'The record names another id than the address.', req.params.id.slice(0, 60));
    res.json(records.change(kind, it));
  });
  router.get('/records/:kind/file.csv', (req, res) => {
    const kind = kindOf(req.params.kind);
    res
      .type('text/csv')
      .attachment(`${kind}.csv`)
      .send(recordsCsv(kind, records.list(kind)));
  });
  router.post('/records/:kind/import', express.text({ type: 'text/csv', limit: '4mb' }), async (req, res) => {
    const kind = kindOf(req.params.kind);
    const { apply } = checkQuery<{ apply: 'yes' | 'no' }>(importQuery, req.query);
    if (typeof req.body !== 'string') throw new InputError('file', 'There is no file.', 'CSV as text');
    const machineIds = new Set(records.list('machines').map((m) => m.id));
    const file = { kind, text: req.body, have: records.list(kind), machineIds };
    const plan = await work.run('plan-csv', file, goneOf(res));
    const faulty = plan.problems.length > 0 || plan.rows.some((r) => r.does === 'faulty');
    if (apply === 'yes' && !faulty) records.takeIn(kind, plan.add, plan.change);
    res
      .status(apply === 'yes' && faulty ? 422 : 200)
      .json({ rows: plan.rows, problems: plan.problems, applied: apply === 'yes' && !faulty });
  });
  router.get('/wheels/:id/record', (req, res) => {
    const { wheel, machine } = known(req.params.id);
    const its = jobs.ofWheel(wheel.id);
    const history = wheelHistory(its.slice(0, MOST_JOBS).map((job) => ({ job, entries: jobs.entriesOf(job.id) })));
    res.json({ wheel, machine, jobs: its, history });
  });
  router.get('/wheels/:id/section.svg', (req, res) => {
    const units = checkQuery<UnitPreferences>(unitQuery, req.query);
    const { wheel, machine } = known(req.params.id);
    const shapes = crossSection(wheel, sectionLength(units));
    if (!shapes) throw new NotFound('The wheel’s width over all and its backspace are not in its record yet.');
    const title = `${POSITION_WORDS[wheel.position]}, ${machine.name}: cut through the axle, inner edge on the left`;
    res
      .type('image/svg+xml')
      .attachment(`wheel-${wheel.id}-section.svg`)
      .send(drawingSvg(shapes, SECTION_FIELD, title));
  });
  return router;
};
