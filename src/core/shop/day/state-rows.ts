import type { PlanProblem } from './plan-problem';
import type { PlanState } from './plan-state';

/** Many states side by side as plain numbers: hundreds of thousands fit, and none is an object. */
interface StateRows {
  /** Adds a state; where it stands. */
  add(state: PlanState): number;
  /** Reads the state at a place into `into`. */
  read(at: number, into: PlanState): void;
  clear(): void;
}

const FIRST_ROOM = 256;

/** Numbers in the order in which they are added, in room that doubles when it is full. */
export const growing = (width: number) => {
  let numbers = new Int32Array(width * FIRST_ROOM);
  return {
    numbers: () => numbers,
    /** Room for the row at a place. */
    reserve: (at: number): Int32Array => {
      if ((at + 1) * width <= numbers.length) return numbers;
      const larger = new Int32Array(numbers.length * 2);
      larger.set(numbers);
      numbers = larger;
      return numbers;
    },
  };
};

/** Room for states of a problem. */
export const stateRows = ({ people, benches, wheels, visits }: PlanProblem): StateRows => {
  const benchCount = benches >= people ? 0 : benches;
  const COSTS = 4;
  const width = wheels.length * 2 + people + benchCount + 1 + visits.length + COSTS;
  const { numbers, reserve } = growing(width);
  let count = 0;
  return {
    add: (state) => {
      const all = reserve(count);
      let i = count * width;
      for (let w = 0; w < wheels.length; w++) all[i++] = state.next[w]!;
      for (let w = 0; w < wheels.length; w++) all[i++] = state.ready[w]!;
      for (let p = 0; p < people; p++) all[i++] = state.free[p]!;
      for (let b = 0; b < benchCount; b++) all[i++] = state.benches[b]!;
      all[i++] = state.stand;
      for (let v = 0; v < visits.length; v++) all[i++] = state.visitDone[v]!;
      all[i++] = state.endsMin;
      all[i++] = state.cost.broken;
      all[i++] = state.cost.lateMin;
      all[i] = state.cost.doneMin;
      return count++;
    },
    read: (at, into) => {
      const all = numbers();
      let i = at * width;
      for (let w = 0; w < wheels.length; w++) into.next[w] = all[i++]!;
      for (let w = 0; w < wheels.length; w++) into.ready[w] = all[i++]!;
      for (let p = 0; p < people; p++) into.free[p] = all[i++]!;
      for (let b = 0; b < benchCount; b++) into.benches[b] = all[i++]!;
      into.stand = all[i++]!;
      for (let v = 0; v < visits.length; v++) into.visitDone[v] = all[i++]!;
      into.endsMin = all[i++]!;
      into.cost.broken = all[i++]!;
      into.cost.lateMin = all[i++]!;
      into.cost.doneMin = all[i]!;
    },
    clear: () => {
      count = 0;
    },
  };
};

/** A step to a state: from where among those before it, and whose next block was given to whom. */
export interface Step {
  before: number;
  wheel: number;
  person: number;
}

/** The steps to the states of one depth. */
export interface StepRows {
  set(at: number, step: Step): void;
  at(at: number): Step;
}

/** Room for steps. */
export const stepRows = (): StepRows => {
  const WIDTH = 3;
  const { numbers, reserve } = growing(WIDTH);
  return {
    set: (at, { before, wheel, person }) => {
      const all = reserve(at);
      all[at * WIDTH] = before;
      all[at * WIDTH + 1] = wheel;
      all[at * WIDTH + 2] = person;
    },
    at: (at) => {
      const all = numbers();
      return {
        before: all[at * WIDTH]!,
        wheel: all[at * WIDTH + 1]!,
        person: all[at * WIDTH + 2]!,
      };
    },
  };
};
