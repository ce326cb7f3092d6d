/** What the shop knows by its own jobs: troubles, times, weights. */
export {
  quantile,
  stationsTook,
  troublesMet,
  weightsLeft,
  type StationTook,
  type TroubleMet,
  type WeightLeft,
} from './knows';
