import type { Rule } from './rule';

const GROUP = 'Wheel on';
const confirm = 'Recalled, not looked up. The machine’s manual decides.';

/** Thresholds of putting a wheel back and handing it over. */
export const LEAVE_RULES: readonly Rule[] = [
  {
    key: 'brake.dragCheckNm',
    says: 'Brake drag, let go: more is looked at',
    group: 'Wheel on',
    value: 3,
    unit: 'Nm',
    basis: 'memory',
    note: 'Unconfirmed default. Confirm for your shop. The manual’s figure decides.',
    min: 0.2,
    max: 50,
  },
  {
    key: 'brake.dragStopNm',
    says: 'Brake drag, let go: more is not ridden',
    group: 'Wheel on',
    value: 12,
    unit: 'Nm',
    basis: 'memory',
    note: 'Unconfirmed default. Confirm for your shop. The manual’s figure decides.',
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
    says: 'A brake disc may run out by, where the manual’s figure is not known',
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
    says: 'After the test ride bolts are looked at again in so many minutes',
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
