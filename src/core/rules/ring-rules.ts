import type { Rule } from './rule';

const GROUP = 'Ring and pair';
const confirm = 'Recalled, not looked up. Confirm with the shop.';
const mm = (key: string, says: string, value: number, basis: Rule['basis'], note: string, min: number, max: number): Rule => ({
  key, says, group: GROUP, value, unit: 'mm', basis, note, min, max,
});

/** Thresholds of wheels that are clamped, and of wheels that turn as a pair. */
export const RING_RULES: readonly Rule[] = [
  mm('circle.nearMm', 'Bolt circle: a common one is meant within', 1.5, 'memory', confirm, 0.1, 10),
  mm('ring.crushLeastMm', 'Crush of a clamped bead, at least', 2.54, 'practice', 'Common practice: 0.100 in. Less, and the wheel slips in the tire. Makers differ.', 0.1, 10),
  mm('ring.crushMostMm', 'Crush of a clamped bead, at most', 3.05, 'practice', 'Common practice: 0.120 in. Makers differ.', 0.1, 15),
  mm('ring.crushSpreadMm', 'Crush: places, beads or wheels that differ by more are looked at', 0.5, 'memory', confirm, 0.05, 5),
  mm('ring.startedMm', 'Ring gap with the first bolts just started: a sign of crush to come', 3.56, 'practice', 'Common practice: 0.14 to 0.15 in.', 0.5, 20),
  mm('ring.evenMm', 'Ring gap: tilt that is even enough for the torque', 0.25, 'memory', confirm, 0.02, 3),
  mm('ring.farOpenMm', 'Ring gap: so far open no bolt holds it yet', 12, 'memory', confirm, 4, 60),
  mm('ring.closedMm', 'Ring gap that counts as closed', 0.05, 'memory', `${confirm} The finest blade of a feeler gauge.`, 0.01, 1),
  { key: 'clamp.lubricant', says: 'On the threads of ring bolts', group: GROUP, value: 'anti-seize', unit: null, basis: 'practice', note: 'Common practice: anti-seize on threads and under washers. The maker’s figure goes with the maker’s lubricant.', choices: ['anti-seize', 'oiled', 'dry, plated'] },
  { key: 'clamp.proofPct', says: 'Share of its proof load that a ring bolt is clamped to, at most', group: GROUP, value: 75, unit: 'pct', basis: 'published', note: 'Shigley: 75 % of the proof load for bolts that are used again. The maker’s figure binds.', min: 20, max: 100 },
  { key: 'rollout.measureKpa', says: 'Rollout is taped at', group: GROUP, value: 41.37, unit: 'kPa', basis: 'practice', note: 'Common practice: 6 psi, after the bead was centered and let down.', min: 10, max: 300 },
  mm('rollout.settledMm', 'Rollout: growth from one run to the next that counts as settled', 3.18, 'memory', confirm, 0.5, 30),
  mm('rollout.goodMm', 'Drag pair: difference in rollout that is good', 6.35, 'practice', 'Common practice: a quarter inch.', 0.5, 100),
  mm('rollout.tolerableMm', 'Drag pair: difference in rollout that is tolerable', 9.525, 'practice', 'Common practice: three eighths of an inch.', 0.5, 100),
  mm('rollout.correctMm', 'Drag pair: difference in rollout that is corrected', 12.7, 'practice', 'Common practice: half an inch and more, with air on the smaller one.', 0.5, 100),
  mm('rollout.axleGoodMm', 'Driven axle of four wheels: difference that is good', 6.35, 'memory', `${confirm} The maker of a locked axle may say less.`, 0.5, 100),
  mm('rollout.axleTolerableMm', 'Driven axle of four wheels: difference that is tolerable', 12.7, 'memory', confirm, 0.5, 100),
  mm('rollout.axleCorrectMm', 'Driven axle of four wheels: difference that is corrected', 19.05, 'memory', confirm, 0.5, 200),
  mm('rollout.sidecarGoodMm', 'Rear and driven sidecar wheel: difference that is good', 6.35, 'memory', `${confirm} A driven sidecar wheel must match the rear.`, 0.5, 100),
  mm('rollout.sidecarTolerableMm', 'Rear and driven sidecar wheel: difference that is tolerable', 9.525, 'memory', confirm, 0.5, 100),
  mm('rollout.sidecarCorrectMm', 'Rear and driven sidecar wheel: difference that is corrected', 12.7, 'memory', confirm, 0.5, 100),
];
