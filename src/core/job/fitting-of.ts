import {
  fitTire,
  materials,
  prepareFit,
  rimLockPick,
  stripPick,
  tools,
  valvePick,
  type FitContext,
  type TireFit,
  type Want,
} from '../bench/fitting';
import type { Use } from '../bench/pressure';
import type { Records, Shop } from '../shop/records';
import { readTire } from '../fit/tires';
import { fitTubes, type TubeUse } from '../fit/tubes';
import { tryRimCode, wheelEnd, type Fastener, type Wheel } from '../fit/wheels';
import { InputError } from '../base/errors';
import type { EntryData } from './entries';
import type { JobState } from './job-state';
import { fastenersOf } from './fasteners-of';

/** The wheel at the other end of the machine, which its sensors are compared with. */
const otherEndOf = (wheel: Wheel, wheels: readonly Wheel[]): Wheel | undefined =>
  wheels.find(
    (w) => w.machineId === wheel.machineId && wheelEnd(w.position) !== wheelEnd(wheel.position),
  );

/** The needs that a tire has to suit in this job; null before the job has its machine and wheel. */
export const fitContextOf = (
  state: JobState,
  onDate: string,
  wheels: readonly Wheel[] = [],
): FitContext | null => {
  const { machine, wheel, cameOff } = state;
  if (!machine || !wheel) return null;
  const end = wheelEnd(wheel.position);
  const minLoadIndex =
    (end === 'front' ? machine.minLoadIndexFront : machine.minLoadIndexRear) ?? undefined;
  const { sprocketFront, sprocketRear, emptyFrontKg, emptyRearKg } = machine;
  return {
    from: cameOff?.marking ?? wheel.tireMarking,
    end,
    kind: machine.kind,
    use: cameOff?.use ?? 'road',
    build: wheel.build,
    rimCode: wheel.rimCode,
    tubelessMarked: wheel.tubelessMarked,
    sealed: wheel.sealed,
    discSide: wheel.discSide,
    tube: state.chosen?.tube ?? wheel.tube,
    clearancesMm: Object.fromEntries(state.clearances.map((c) => [c.place, c.mm])),
    sprockets:
      sprocketFront !== null && sprocketRear !== null && end === 'rear'
        ? { front: sprocketFront, rear: sprocketRear }
        : undefined,
    otherEnd: machine.wheelSensors ? otherEndOf(wheel, wheels)?.tireMarking : undefined,
    minLoadIndex,
    minSpeedSymbol: machine.minSpeedSymbol ?? undefined,
    sheet:
      state.load && emptyFrontKg !== null && emptyRearKg !== null
        ? { emptyFrontKg, emptyRearKg, ...state.load }
        : undefined,
    onDate,
    rules: state.rules,
  };
};

/** The fit of the chosen tire; null before one is chosen, or if a size makes no sense. */
export const chosenFitOf = (
  state: JobState,
  onDate: string,
  wheels: readonly Wheel[] = [],
): TireFit | null => {
  const { chosen } = state;
  const context = fitContextOf(state, onDate, wheels);
  if (!chosen || !context) return null;
  try {
    const { marking, dateCode, tread, arrows, takeOff, treadMm } = chosen;
    return fitTire(
      { marking, dateCode, tread, arrows, takeOff, treadMm },
      prepareFit({ ...context, tube: chosen.tube }),
    );
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
};

/** The tube's use for a rider's use. */
export const tubeUseOf = (use: Use, kind: string): TubeUse =>
  kind === 'scooter'
    ? 'scooter'
    : use === 'motocross' || use === 'dirt' || use === 'trail'
      ? use
      : 'road';

/** The choice in progress: the tire's size, and whether a tube goes in. */
export interface Choice {
  marking: string;
  tube: boolean;
  tubeId: string | null;
  pressureKpa: number | null;
}

/**
 * Width and diameter of the rim; a code without a diameter gives way to the tire's. Throws
 * `InputError` for the tire.
 */
const rimOf = (wheel: Wheel, marking: string) => {
  const rim = tryRimCode(wheel.rimCode);
  return {
    widthIn: rim?.widthIn ?? null,
    diameterIn: rim?.rimDiameterIn ?? readTire(marking).rimDiameterIn,
  };
};

/**
 * The diameter of a wheel's rim, in inches: by its code, else by the tire that is on it. Throws
 * `InputError` for that.
 */
export const rimDiameterOf = (wheel: Wheel): number => rimOf(wheel, wheel.tireMarking).diameterIn;

/**
 * Tube, rim lock, strip and stem for a choice; null where one has nothing to say. Throws
 * `InputError` for the tire.
 */
export const partPicksOf = (
  state: JobState,
  choice: Choice,
  shop: Pick<Shop, 'tubes' | 'locks' | 'strips' | 'valves'>,
) => {
  const { wheel, machine, rules } = state;
  if (!wheel || !machine) return null;
  const use = state.cameOff?.use ?? 'road';
  const { widthIn, diameterIn } = rimOf(wheel, choice.marking);
  const hole = wheel.valveHoleMm === null ? {} : { valveHoleMm: wheel.valveHoleMm };
  const tubes = choice.tube
    ? fitTubes({
        tire: choice.marking,
        use: tubeUseOf(use, machine.kind),
        tubes: shop.tubes,
        rules,
        ...hole,
      })
    : null;
  const lock =
    widthIn === null || !choice.tube
      ? null
      : rimLockPick.run({
          use,
          tube: choice.tube,
          pressureKpa: choice.pressureKpa ?? 200,
          rimWidthIn: widthIn,
          lockDegs: wheel.rimLockDegs,
          rules,
          locks: shop.locks.map(({ id, widthIn: w, holeMm, massG, count }) => ({
            id,
            widthIn: w,
            holeMm,
            massG,
            count,
          })),
          ...(wheel.lockHoleMm === null ? {} : { lockHoleMm: wheel.lockHoleMm }),
        });
  const strip =
    widthIn === null || !choice.tube
      ? null
      : stripPick.run({
          build: wheel.build,
          sealed: wheel.sealed ? 'yes' : 'no',
          rimWidthIn: widthIn,
          rimDiameterIn: diameterIn,
          rimLocks: wheel.rimLockDegs.length,
          rules,
          strips: shop.strips.map(({ id, material, widthMm, rimFromIn, rimToIn, count }) => ({
            id,
            material,
            widthMm,
            rimFromIn,
            rimToIn,
            count,
          })),
        });
  const stem = choice.tube
    ? null
    : valvePick.run({
        tube: choice.tube,
        rimDiameterIn: diameterIn,
        rules,
        ...hole,
        stems: shop.valves.map(({ id, stem: s, holeMm, lengthMm, angled, count }) => ({
          id,
          stem: s,
          holeMm,
          lengthMm,
          angled,
          count,
        })),
      });
  return { tubes, lock, strip, stem };
};
type PartPicks = NonNullable<ReturnType<typeof partPicksOf>>;

/** The shopping list of a choice. */
export const wantsOf = (
  choice: Choice & { tireId: string | null },
  picks: PartPicks,
  shop: Pick<Shop, 'tubes'>,
): Want[] => {
  const wants: Want[] = [{ what: `tire ${choice.marking}`, count: 1, stockId: choice.tireId }];
  const tube = shop.tubes.find((t) => t.id === (choice.tubeId ?? picks.tubes?.bestId));
  if (choice.tube)
    wants.push({ what: tube ? `tube ${tube.label}` : 'tube', count: 1, stockId: tube?.id ?? null });
  const lock = picks.lock?.result;
  if (lock && lock.wanted > 0)
    wants.push({ what: 'rim lock', count: lock.wanted, stockId: lock.lockId });
  const strip = picks.strip?.result;
  if (strip && strip.wanted > 0)
    wants.push(
      strip.material === 'tape'
        ? { what: 'cloth tape', count: 1, stockId: strip.stripId }
        : { what: 'rim strip', count: strip.wanted, stockId: strip.stripId },
    );
  if (picks.stem)
    wants.push({ what: 'valve stem, new', count: 1, stockId: picks.stem.result.stemId });
  return wants;
};

const SHELVES = ['tires', 'tubes', 'strips', 'locks', 'valves'] as const;
/** The shelves that a tire change takes from. */
export type Shelves = { [K in (typeof SHELVES)[number]]: readonly Records[K][] };

/** Wants against the shelf, as a working. */
export const materialsOf = (wants: readonly Want[], shop: Shelves, rules: JobState['rules']) => {
  const wanted = new Set(wants.map((w) => w.stockId));
  const shelf = SHELVES.flatMap(
    (kind) => shop[kind] as readonly { id: string; count: number; priceMinor: number | null }[],
  )
    .filter((s) => wanted.has(s.id))
    .map(({ id, count, priceMinor }) => ({ id, count, priceMinor }));
  return materials.run({ wants: [...wants], shelf, tiresToDispose: 1, rules });
};

/** The bolts that clamp a wheel, as fasteners that want a wrench. */
const boltsOf = ({ build, ringTorqueNm, rimBoltTorqueNm }: Wheel): Fastener[] => {
  const bolt = (name: string, torqueNm: number | null): Fastener[] =>
    torqueNm === null ? [] : [{ name, wheel: 'any', torqueNm, socket: null, renews: 'nothing' }];
  if (build === 'beadlock') return bolt('ring bolts', ringTorqueNm);
  return build === 'split' ? bolt('rim bolts', rimBoltTorqueNm) : [];
};

/**
 * The tools to lay out for a choice, as a working; null before the job has its machine and wheel.
 * Throws `InputError` for the tire.
 */
export const toolsOf = (
  state: JobState,
  choice: Pick<Choice, 'tube' | 'marking'>,
  shop: Pick<Shop, 'wrenches'>,
) => {
  const { machine, wheel } = state;
  if (!machine || !wheel) return null;
  const { diameterIn } = rimOf(wheel, choice.marking);
  return tools.run({
    kind: machine.kind,
    drive: machine.drive,
    end: wheelEnd(wheel.position),
    build: wheel.build,
    discSide: wheel.discSide,
    tube: choice.tube,
    rimLocks: wheel.rimLockDegs.length,
    ...(wheel.rings === null ? {} : { rings: wheel.rings }),
    rimDiameterIn: diameterIn,
    fasteners: [...fastenersOf(state), ...boltsOf(wheel)],
    rules: state.rules,
    wrenches: shop.wrenches.map(({ name, minNm, maxNm }) => ({ name, minNm, maxNm })),
  });
};

/** The parts of a choice as the log keeps them. */
export const partsOf = (wants: readonly Want[]): EntryData['chosen']['parts'] =>
  wants.map(({ what, count, stockId }) => ({ what, count, stockId }));
