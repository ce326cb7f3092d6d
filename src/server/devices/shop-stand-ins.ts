import { simulatedCaliper, simulatedThermometer, simulatedWrench } from './bench-stand-ins';
import { simulatedStand } from './balance-stand';
import { simulatedIndicator } from './dial-indicator';
import { simulatedGauge } from './gauge-and-hose';
import type { StandIn } from './stand-in';

/**
 * The simulated instruments that ship with the program, one of each kind, and a wrench for ring
 * bolts.
 */
export const shopStandIns = (): StandIn[] => [
  simulatedGauge('hose gauge', 1.2),
  simulatedThermometer('tip thermometer'),
  simulatedIndicator('indicator'),
  simulatedCaliper('caliper'),
  simulatedWrench('long click wrench', { minNm: 27, maxNm: 203 }),
  simulatedWrench('ring click wrench', { minNm: 20, maxNm: 24 }),
  simulatedStand('bench stand'),
];
