import type { EntryData } from './entries';

/** What was measured of the chain, as its working takes it: the first place and the others. */
export const slackInput = ({
  placesMm,
  wantMinMm,
  wantMaxMm,
  runMm,
  pitchMm,
}: EntryData['slack']) => ({
  slackMm: placesMm[0]!,
  otherPlacesMm: placesMm.slice(1),
  wantMinMm,
  wantMaxMm,
  runMm,
  ...(pitchMm === null ? {} : { pitchMm }),
});

/** What was measured of the sensor, as its working takes it. */
export const sensorInput = ({ readings, wantMinMm, wantMaxMm }: EntryData['sensor-gap']) => ({
  readings,
  ...(wantMinMm === null ? {} : { wantMinMm }),
  ...(wantMaxMm === null ? {} : { wantMaxMm }),
});

/** What a string along both wheels left as gaps, as its working takes it. */
export const stringInput = ({ gapsMm, wheelbaseMm, spanMm, chainSide }: EntryData['string']) => ({
  gapsMm,
  wheelbaseMm,
  adjusterSpanMm: spanMm,
  chainSide,
});

/** What was felt and pulled of the brake, as its working takes it. */
export const brakeInput = ({ firm, spin, pullN, freePullN, radiusMm }: EntryData['brake']) => ({
  firm,
  spin,
  ...(pullN == null ? {} : { pullN }),
  ...(freePullN == null ? {} : { freePullN }),
  ...(radiusMm == null ? {} : { radiusMm }),
});
