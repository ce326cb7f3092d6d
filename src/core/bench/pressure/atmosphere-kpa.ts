const SEA_LEVEL_KPA = 101.325;
const SEA_LEVEL_K = 288.15;
const LAPSE_K_PER_M = 0.0065;
const EXPONENT = 5.255877;

/**
 * Pressure of the outside air at a geopotential altitude of -500 to 11 000 m, in kPa.
 * Source: US Standard Atmosphere 1976, troposphere. In the range of roads geometric altitude
 * differs by less than 0.1%.
 */
export const atmosphereKpa = (altitudeM: number): number =>
  SEA_LEVEL_KPA * (1 - (LAPSE_K_PER_M * altitudeM) / SEA_LEVEL_K) ** EXPONENT;
