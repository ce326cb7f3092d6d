import type { EntryData } from './entries';

/** What was measured of the chain, as its working takes it: the first place and the others. */
export const slackInput = ({ placesMm, wantMinMm, wantMaxMm, runMm, pitchMm }: EntryData['slack']) => ({
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
