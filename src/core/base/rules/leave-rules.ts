import type { Rule } from './rule';

const GROUP = 'Wheel on';
const confirm = 'Recalled, not looked up. The machine’s manual decides.';

/** Thresholds of putting a wheel back and handing it over. */
export const LEAVE_RULES: readonly Rule[] = [
  {
    key: 'brake.dragCheckNm',
    says: 'Brake drag, released: check above',
    group: 'Wheel on',
    value: 3,
    unit: 'Nm',
    basis: 'memory',
    note: 'Unconfirmed default. Confirm for your shop. The manual decides.',
    min: 0.2,
    max: 50,
  },
  {
    key: 'brake.dragStopNm',
    says: 'Brake drag, released: do not ride above',
    group: 'Wheel on',
    value: 12,
    unit: 'Nm',
    basis: 'memory',
    note: 'Unconfirmed default. Confirm for your shop. The manual decides.',
    min: 1,
    max: 100,
  },
  {
    key: 'align.markMm',
    says: 'Marks of the two adjusters may differ by',
    group: GROUP,
    value: 1,
    unit: 'mm',
    basis: 'memory',
    note: confirm,
    min: 0.1,
    max: 10,
  },
  {
    key: 'disc.runoutMm',
    says: 'Brake disc runout limit without a manual',
    group: GROUP,
    value: 0.3,
    unit: 'mm',
    basis: 'memory',
    note: confirm,
    min: 0.05,
    max: 2,
  },
  {
    key: 'ride.coolMin',
    says: 'Bolts: recheck after the test ride, minutes',
    group: GROUP,
    value: 45,
    unit: null,
    basis: 'memory',
    note: 'Common practice: after it has cooled. The minutes are a default from memory.',
    min: 5,
    max: 720,
    whole: true,
  },
];
