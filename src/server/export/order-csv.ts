import type { OrderList, ToOrder } from '../../core/shop/parts';
import { csvOf } from './csv-cells';

const COLUMNS = [
  'state',
  'what',
  'count',
  'supplier',
  'for',
  'wanted on',
  'ordered on',
  'ordered by',
] as const;

/** The parts to order and those on their way, CSV (RFC 4180). */
export const orderCsv = ({ short, ordered }: OrderList): string => {
  const common = (part: Pick<ToOrder, 'what' | 'count' | 'jobs'>) => ({
    what: part.what,
    count: part.count,
    for: part.jobs.map((j) => `${j.number} ${j.machineName}, ${j.position}`).join('; '),
    'wanted on':
      part.jobs
        .map((j) => j.dueAt?.slice(0, 10) ?? '')
        .filter(Boolean)
        .sort()[0] ?? '',
  });
  return csvOf(
    [
      ...short.map((part) => ({
        ...common(part),
        state: 'to order',
        supplier: '',
        'ordered on': '',
        'ordered by': '',
      })),
      ...ordered.map((order) => ({
        ...common(order),
        state: 'on its way',
        supplier: order.supplier,
        'ordered on': order.orderedAt.slice(0, 10),
        'ordered by': order.orderedBy,
      })),
    ],
    { header: true, columns: [...COLUMNS] },
  );
};
