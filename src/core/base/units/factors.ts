/** Conversion factors. Source: NIST Special Publication 811 (2008), appendix B. */
export const INCH_IN_MM = 25.4;
export const PSI_IN_KPA = 6.894757;
export const FT_LBF_IN_NM = 1.355818;
export const OUNCE_IN_G = 28.34952;
export const POUND_IN_KG = 0.4535924;
export const MILE_IN_KM = 1.609344;
export const FOOT_IN_M = 0.3048;
export const BAR_IN_KPA = 100;
export const ZERO_CELSIUS_IN_K = 273.15;
