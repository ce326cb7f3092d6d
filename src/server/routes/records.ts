import { Router } from 'express';
import Joi from 'joi';
import { check, count, oneOf } from '../../core/base/fields';
import { InputError } from '../../core/base/errors';
import {
  checkRecord,
  fieldsOfKind,
  RECORD_KINDS,
  recordSchema,
  type RecordKind,
  type Records,
} from '../../core/shop/records';
import { wheelHistory } from '../../core/job';
import { crossSection, SECTION_FIELD, sectionLength } from '../../core/bench/ring';
import type { UnitPreferences } from '../../core/base/units';
import { POSITION_WORDS } from '../../core/fit/wheels';
import type { JobStore } from '../db/job-store';
import type { RecordQuery } from '../db/record-pages';
import type { RecordStore } from '../db/record-store';
import { checkPrice } from '../auth/permission-checks';
import { meOf } from '../auth/me';
import { NotFound } from '../errors';
import { drawingSvg, wheelIconSvg } from '../export/drawing-svg';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, searchText, kindOf, number, recordId, unitQuery } from './input';

/** The file of a kind stands among its records. */
const FILE = 'file.csv';

interface PageQuery {
  find: string;
  only: string;
  archived: 'yes' | 'no';
  sort: string;
  limit: number;
  offset: number;
}
const pageQuery = Joi.object<PageQuery>({
  find: searchText,
  only: Joi.string()
    .allow('')
    .max(100)
    .pattern(/^\w+:.+$/)
    .default('')
    .meta({ expected: 'Use only with a field and its value, such as tread:soft' }),
  archived: Joi.string()
    .valid('yes', 'no')
    .default('no')
    .meta({ expected: 'Use archived=yes or no' }),
  sort: Joi.string()
    .allow('')
    .pattern(/^-?\w+$/)
    .max(40)
    .default('')
    .meta({ expected: 'Use sort with a field, and a - before it for largest first' }),
  limit: number(1, 200, 50, 'limit'),
  offset: number(0, 1_000_000, 0, 'offset'),
});
const rimQuery = Joi.object<{ rim: number }>({
  rim: Joi.number()
    .min(4)
    .max(23)
    .required()
    .meta({ expected: 'Use rim with a diameter of 4 to 23 inches' }),
});

/** A page as asked for. Throws `InputError` for a field that the kind does not have. */
const pageOf = (
  kind: RecordKind,
  { find, only, archived, sort, limit, offset }: PageQuery,
): RecordQuery => {
  const fields = fieldsOfKind(kind);
  const [narrowed = '', value = ''] = only.split(/:(.*)/s);
  const choices = ['id', ...fields.filter((f) => f.form.as === 'choice').map((f) => f.key)];
  if (only && !choices.includes(narrowed))
    throw new InputError(
      'only',
      `${narrowed.slice(0, 40)} is not a field with choices.`,
      `Choose ${choices.join(', ')}`,
    );
  const sorted = sort.replace(/^-/, '');
  if (sort && !fields.some((f) => f.key === sorted))
    throw new InputError(
      'sort',
      `${sorted} is not a field here.`,
      `Choose ${fields.map((f) => f.key).join(', ')}`,
    );
  return {
    find,
    only: only ? { key: narrowed, value } : null,
    archived: archived === 'yes',
    sort: sort ? { key: sorted, down: sort.startsWith('-') } : null,
    limit,
    offset,
  };
};

/** A picture is asked for by the version of its record: another version is another address. */
const iconQuery = Joi.object({
  theme: oneOf(['light', 'dark'], 'Theme').optional().default('light'),
  version: count(0, 1_000_000_000, 'Version').optional(),
});
const ICON_S = 30 * 24 * 3600;

/** The number of past jobs of a wheel that are looked through. */
const MAX_JOBS = 20;

const ANY_RECORD = Joi.alternatives(...RECORD_KINDS.map(recordSchema));

/** The documentation of the routes below. */
export const recordApi: ApiDocs = {
  'GET /records/:kind': { says: 'A page of records of a kind', query: pageQuery },
  'GET /records/:kind/:id': { says: 'A record' },
  'POST /records/:kind': { says: 'A new record', body: ANY_RECORD, status: 201 },
  'PUT /records/:kind/:id': { says: 'Changes a record', body: ANY_RECORD },
  'GET /machines': { says: 'Machines with their wheels', query: pageQuery },
  'GET /machines/:id': { says: 'A machine with its wheels' },
  'GET /tires': { says: 'Tires in stock for a rim', query: rimQuery },
  'GET /wheels/:id/record': { says: 'A wheel with its machine, its jobs and its known values' },
  'GET /wheels/:id/icon.svg': {
    says: 'A wheel as a small picture, SVG 1.1',
    query: iconQuery,
    gives: 'image/svg+xml',
  },
  'GET /wheels/:id/section.svg': {
    says: 'Cross-section of a wheel, SVG 1.1',
    query: unitQuery,
    gives: 'image/svg+xml',
  },
};

/** Machines, wheels and stock: read, add, change, archive. */
export const recordRoutes = (records: RecordStore, jobs: JobStore): Router => {
  const router = Router();
  const known = (id: string) => {
    const wheel = records.find('wheels', check<string>(recordId, id));
    const machine = wheel && records.find('machines', wheel.machineId);
    if (!wheel || !machine) throw new NotFound('Wheel not found.');
    return { wheel, machine };
  };
  router.get('/records/:kind', (req, res) => {
    const kind = kindOf(req.params.kind);
    const page = records.page(kind, pageOf(kind, checkQuery<PageQuery>(pageQuery, req.query)));
    const its = kind === 'wheels' ? (page.records as Records['wheels'][]) : [];
    const names = its.map(
      ({ machineId }) => [machineId, records.find('machines', machineId)?.name ?? ''] as const,
    );
    res.json({ ...page, machines: Object.fromEntries(names) });
  });
  router.get('/records/:kind/:id', (req, res, next) => {
    if (req.params.id === FILE) return next();
    const it = records.find(kindOf(req.params.kind), check<string>(recordId, req.params.id));
    if (!it) throw new NotFound('Record not found.');
    res.json(it);
  });
  router.get('/machines', (req, res) => {
    const { find, limit, offset } = checkQuery<PageQuery>(pageQuery, req.query);
    const found = records.page('machines', {
      find,
      limit,
      offset,
      only: null,
      archived: false,
      sort: null,
    });
    const machines = found.records.map((machine) => ({
      machine,
      wheels: records.wheelsOf(machine.id).filter((w) => !w.archived),
    }));
    res.json({ machines, total: found.total });
  });
  router.get('/machines/:id', (req, res) => {
    const machine = records.find('machines', check<string>(recordId, req.params.id));
    if (!machine) throw new NotFound('Machine not found.');
    res.json({ machine, wheels: records.wheelsOf(machine.id) });
  });
  router.get('/tires', (req, res) => {
    const { rim } = checkQuery<{ rim: number }>(rimQuery, req.query);
    res.json({ tires: records.tiresFor(rim) });
  });
  router.post('/records/:kind', (req, res) => {
    const kind = kindOf(req.params.kind);
    const it = checkRecord(kind, req.body);
    checkPrice(meOf(req), it, records.find(kind, it.id));
    records.add(kind, it);
    res.status(201).json(records.find(kind, it.id));
  });
  router.put('/records/:kind/:id', (req, res) => {
    const kind = kindOf(req.params.kind);
    const it = checkRecord(kind, req.body);
    if (it.id !== req.params.id)
      throw new InputError(
        'id',
        'The ID in the record differs from the address.',
        req.params.id.slice(0, 60),
      );
    checkPrice(meOf(req), it, records.find(kind, it.id));
    res.json(records.change(kind, it));
  });
  router.get('/wheels/:id/record', (req, res) => {
    const { wheel, machine } = known(req.params.id);
    const its = jobs.ofWheel(wheel.id);
    const history = wheelHistory(
      its.slice(0, MAX_JOBS).map((job) => ({ job, entries: jobs.entriesOf(job.id) })),
    );
    res.json({ wheel, machine, jobs: its, history });
  });
  router.get('/wheels/:id/icon.svg', (req, res) => {
    const { theme } = checkQuery<{ theme: 'light' | 'dark'; version: number }>(
      iconQuery,
      req.query,
    );
    const { wheel } = known(req.params.id);
    res
      .type('image/svg+xml')
      .set('Cache-Control', `private, max-age=${ICON_S}`)
      .send(wheelIconSvg(wheel, theme));
  });
  router.get('/wheels/:id/section.svg', (req, res) => {
    const units = checkQuery<UnitPreferences>(unitQuery, req.query);
    const { wheel, machine } = known(req.params.id);
    const shapes = crossSection(wheel, sectionLength(units));
    if (!shapes)
      throw new NotFound('The wheel’s overall width and backspace are not in its record yet.');
    const title = `${POSITION_WORDS[wheel.position]}, ${machine.name}: cut through the axle, inner edge on the left`;
    res
      .type('image/svg+xml')
      .attachment(`wheel-${wheel.id}-section.svg`)
      .send(drawingSvg(shapes, SECTION_FIELD, title));
  });
  return router;
};
