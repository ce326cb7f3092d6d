const SEA_LEVEL_KPA = 101.325;
const SEA_LEVEL_K = 288.15;
const LAPSE_K_PER_M = 0.0065;
const EXPONENT = 5.255877;
const EARTH_RADIUS_M = 6_356_766;

/**
 * Pressure of the outside air at an altitude of -500 to 11 000 m, in kPa.
 * Source: US Standard Atmosphere 1976, troposphere, on geopotential altitude.
 */
export const atmosphereKpa = (altitudeM: number): number => {
  const geopotentialM = (EARTH_RADIUS_M * altitudeM) / (EARTH_RADIUS_M + altitudeM);
  return SEA_LEVEL_KPA * (1 - (LAPSE_K_PER_M * geopotentialM) / SEA_LEVEL_K) ** EXPONENT;
};
