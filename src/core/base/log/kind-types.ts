/** The data of a kind of entry, by its definition. */
export type DataOf<Definition> = Definition extends {
  apply: (state: never, entry: infer Entry) => unknown;
}
  ? Entry extends { data: infer Data }
    ? Data
    : never
  : never;

/** The part of the state that a kind of entry adds. */
export type OwnOf<Definition> = Definition extends { initial: infer Own } ? Own : never;

/** All members of a union at once. */
export type Intersection<Union> = (Union extends unknown ? (each: Union) => void : never) extends (
  all: infer All,
) => void
  ? All
  : never;
