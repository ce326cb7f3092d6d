import Joi from 'joi';
import { InputError } from '../errors';
import { count, marking, oneOf, quantity, record, text } from '../fields';
import type { TorqueWrench } from '../torque';
import { parseTubeLabel, type TubeStock } from '../tubes';
import { parseMarking } from '../tires';
import type { Machine, Wheel } from '../wheels';

/** A tire on the shelf. */
export interface TireStock {
  id: string;
  marking: string;
  /** What the tread is for, in a few words. */
  pattern: string;
  dateCode: string | null;
  seatLimitKpa: number | null;
  lightMark: boolean;
  count: number;
}
export type TubeItem = TubeStock;
export interface WeightItem {
  id: string;
  massG: number;
  kind: 'spoke' | 'adhesive';
  count: number;
}
export type WrenchItem = Omit<TorqueWrench, 'leverMm'> & { id: string; leverMm: number | null };

export interface StockItem {
  tires: TireStock;
  tubes: TubeItem;
  weights: WeightItem;
  wrenches: WrenchItem;
}
export type StockKind = keyof StockItem;
export const STOCK_KINDS: readonly StockKind[] = ['tires', 'tubes', 'weights', 'wrenches'];

/** Everything a screen needs to know of the shop. */
export interface Shop {
  name: string;
  people: string[];
  machines: Machine[];
  wheels: Wheel[];
  tires: TireStock[];
  tubes: TubeItem[];
  weights: WeightItem[];
  wrenches: WrenchItem[];
}

const reads =
  (parse: (value: string) => unknown) =>
  (value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport => {
    try {
      parse(value);
      return value;
    } catch (error) {
      if (error instanceof InputError) return helpers.error('any.invalid');
      throw error;
    }
  };

const id = text(60, 'The record\u2019s name in the database');
const pieces = count(0, 10_000, 'How many are in stock');

/** What a stock record may hold, by kind. */
export const stockSchemas: Record<StockKind, Joi.Schema> = {
  tires: record(
    {
      id,
      marking: marking('The size, as in 110/90-19 62M').custom(reads(parseMarking)),
      pattern: text(60, 'What the tread is for'),
      dateCode: Joi.string().pattern(/^\d{3,4}$/).allow(null).required().meta({ expected: 'Date code: four digits, week then year, as in 1523' }),
      seatLimitKpa: quantity('kPa', 20, 1000, 'Seating limit on the sidewall').allow(null),
      lightMark: Joi.boolean().required().meta({ expected: 'Light mark: true or false' }),
      count: pieces,
    },
    'A tire',
  ),
  tubes: record({ id, label: text(80, 'The sizes on the label, as in 2.75/3.00-21').custom(reads(parseTubeLabel)), count: pieces }, 'A tube'),
  weights: record(
    { id, massG: quantity('g', 0.5, 200, 'Mass of a piece'), kind: oneOf(['spoke', 'adhesive'], 'How it holds'), count: pieces },
    'A weight',
  ),
  wrenches: record(
    {
      id,
      name: text(60, 'Name of the wrench'),
      minNm: quantity('Nm', 0, 2000, 'Lowest setting'),
      maxNm: quantity('Nm', 0.1, 2000, 'Highest setting'),
      leverMm: quantity('mm', 50, 2000, 'Drive to middle of the grip').allow(null),
    },
    'A wrench',
  ),
};
