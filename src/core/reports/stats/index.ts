/** The shop's own statistics by its jobs: troubles, times, weights. */
export {
  quantile,
  stationsTook,
  troublesMet,
  weightsLeft,
  type StationTook,
  type TroubleMet,
  type WeightLeft,
} from './knows';
