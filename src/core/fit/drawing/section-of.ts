import type { TireSize } from '../tires';
import { tryRimCode } from '../wheels';
import type { DrawnWheel } from './drawn-wheel';
import type { Section } from './section';

/**
 * A size on the rim of a wheel, for its cross-section; `isTreadKnown` false for another tire than
 * the wheel's own.
 */
export const sectionOf = (
  size: TireSize,
  { rimCode, wellMm, tireTread }: Pick<Partial<DrawnWheel>, 'rimCode' | 'wellMm' | 'tireTread'>,
  {
    hasTube,
    isTreadKnown = true,
    ...more
  }: { hasTube: boolean; isTreadKnown?: boolean } & Pick<Section, 'hasStrip' | 'hasLock'>,
): Section => {
  const rim = tryRimCode(rimCode ?? '');
  const deepMm = wellMm ? (size.rimDiameterMm - wellMm) / 2 : 0;
  return {
    sectionMm: size.sectionWidthMm,
    heightMm: size.sectionHeightMm,
    rimWidthMm: rim?.widthMm ?? null,
    wellMm: deepMm > 0 ? deepMm : null,
    hasHump: rim?.hump ?? false,
    tread: (isTreadKnown ? tireTread : undefined) ?? 'other',
    hasTube,
    ...more,
  };
};
