import type { Arrows, Tread } from '../../fit/tires';
import type { Kept, Machine, Wheel } from '../../fit/wheels';

export const TUBE_WALLS = ['standard', 'heavy', 'ultra'] as const;
type TubeWall = (typeof TUBE_WALLS)[number];
export const WALL_WORDS: Record<TubeWall, string> = {
  standard: 'standard',
  heavy: 'heavy duty',
  ultra: 'ultra heavy',
};

export const TUBE_VALVES = ['TR-4', 'TR-6', 'angled', 'rubber'] as const;
type TubeValve = (typeof TUBE_VALVES)[number];

/** Instruments that have a record of their own; torque wrenches have theirs. */
export const INSTRUMENT_KINDS = [
  'gauge',
  'thermometer',
  'dial-indicator',
  'caliper',
  'balance-stand',
] as const;
type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];
export const INSTRUMENT_WORDS: Record<InstrumentKind, string> = {
  gauge: 'pressure gauge',
  thermometer: 'thermometer',
  'dial-indicator': 'dial indicator',
  caliper: 'caliper',
  'balance-stand': 'balance stand',
};

export const STRIP_MATERIALS = ['rubber', 'tape'] as const;
export const STEMS = ['snap-in', 'clamp-in'] as const;

/** A thing on the shelf. `priceMinor` in the smallest coin; null if not known. */
interface Stocked extends Kept {
  count: number;
  priceMinor: number | null;
  note: string;
}

/** A tire on the shelf, new or a take-off with its depth. */
export interface TireStock extends Stocked {
  marking: string;
  tread: Tread;
  /** The use of the tread, in a few words. */
  pattern: string;
  arrows: Arrows;
  dateCode: string | null;
  seatLimitKpa: number | null;
  lightMark: boolean;
  takeOff: boolean;
  treadMm: number | null;
}

export interface TubeItem extends Stocked {
  label: string;
  valve: TubeValve;
  wall: TubeWall;
  /** Width of the tube laid flat. */
  flatWidthMm: number | null;
  massG: number | null;
}

/** A rim strip, or a roll of tape, for rims of `rimFromIn` to `rimToIn`. */
export interface StripItem extends Stocked {
  material: (typeof STRIP_MATERIALS)[number];
  widthMm: number;
  rimFromIn: number;
  rimToIn: number;
}

export interface LockItem extends Stocked {
  /** The rim's width that it is made for. */
  widthIn: number;
  holeMm: number;
  massG: number;
}

/** A stem for tubeless rims. */
export interface ValveItem extends Stocked {
  stem: (typeof STEMS)[number];
  holeMm: number;
  lengthMm: number;
  angled: boolean;
}

export interface WeightItem extends Stocked {
  massG: number;
  kind: 'spoke' | 'adhesive';
  /** Along the rim, of one piece; null where no one has measured it. */
  lengthMm: number | null;
}

export interface WrenchItem extends Kept {
  name: string;
  minNm: number;
  maxNm: number;
  leverMm: number | null;
  calibratedOn: string | null;
  note: string;
}

/** The reading of a gauge under a known pressure. */
export interface GaugeCheck {
  onDate: string;
  appliedKpa: number;
  readsKpa: number;
}

/** An instrument, under the name by which it speaks. */
export interface InstrumentItem extends Kept {
  name: string;
  kind: InstrumentKind;
  calibratedOn: string | null;
  /** Of a pressure gauge: the finest step it shows, and what it was found to show. */
  stepKpa: number | null;
  checks: GaugeCheck[];
  note: string;
}

/** Everything that the shop keeps a list of. */
export interface Records {
  machines: Machine;
  wheels: Wheel;
  tires: TireStock;
  tubes: TubeItem;
  strips: StripItem;
  locks: LockItem;
  valves: ValveItem;
  weights: WeightItem;
  wrenches: WrenchItem;
  instruments: InstrumentItem;
}
export type RecordKind = keyof Records;
export const RECORD_KINDS: readonly RecordKind[] = [
  'machines',
  'wheels',
  'tires',
  'tubes',
  'strips',
  'locks',
  'valves',
  'weights',
  'wrenches',
  'instruments',
];

/** One step at a time, or a station's plain steps at once. */
export const PACES = ['step by step', 'by station'] as const;
export type Pace = (typeof PACES)[number];

/** Kinds that grow with the years: a screen asks for those of them that it needs. */
const MANY_KINDS = ['machines', 'wheels', 'tires'] as const satisfies readonly RecordKind[];
type FewKind = Exclude<RecordKind, (typeof MANY_KINDS)[number]>;
/** Kinds of which a shop has a shelf or a wall full: every screen knows them all. */
export const FEW_KINDS = RECORD_KINDS.filter(
  (kind): kind is FewKind => !(MANY_KINDS as readonly string[]).includes(kind),
);

/**
 * The part of the shop that every screen needs, archived records included. `paces` by the name of
 * the fitter.
 */
export type Shop = { name: string; people: string[]; paces: Readonly<Record<string, Pace>> } & {
  [K in FewKind]: Records[K][];
};

/** The records that are not archived, of every kind: what a job may use. */
export const inUse = <S extends Pick<Shop, FewKind>>(shop: S): S => ({
  ...shop,
  ...Object.fromEntries(
    FEW_KINDS.map((kind) => [
      kind,
      (shop[kind] as { archived: boolean }[]).filter((r) => !r.archived),
    ]),
  ),
});
