import { inputError } from '../../base/errors';
import { listOf, quantity, record, text } from '../../base/fields';
import { defineWorking } from '../../base/working';

/** A torque wrench of the shop. `leverMm` from drive to middle of the grip, where it is known. */
export interface TorqueWrench {
  name: string;
  minNm: number;
  maxNm: number;
  leverMm?: number;
}

export interface TorqueChoice {
  wrench: TorqueWrench | null;
  /** The setting; null when no wrench covers it. */
  settingNm: number | null;
  reason: string;
}

interface Input {
  torqueNm: number;
  wrenches: TorqueWrench[];
  extensionMm?: number;
  leverMm?: number;
}

/** The wrenches of a shop, as workings take them. */
export const WRENCHES_FIELD = listOf(
  record(
    {
      name: text(60, 'Name of the wrench'),
      minNm: quantity('Nm', 0, 2000, 'Lowest setting'),
      maxNm: quantity('Nm', 0.1, 2000, 'Highest setting'),
      leverMm: quantity('mm', 50, 2000, 'Drive to middle of the grip').optional(),
    },
    'A wrench',
  ),
  100,
  'The wrenches of the shop',
);

const n = (value: number) => Math.round(value * 10) / 10;

/**
 * The wrench that covers a torque, and its setting with an extension head in line with the handle.
 *
 * `torqueNm` above 0 to 1000; `extensionMm` 0 to 1000; `leverMm` of the wrench itself, needed with an extension.
 * Throws `InputError` for a wrench whose lowest setting is not below its highest. Source: setting =
 * T L / (L + A), statics of a lever. Common practice: never wind a wrench below its scale.
 */
export const torqueWrench = defineWorking<Input, TorqueChoice>({
  name: 'torque-wrench',
  title: 'Torque wrench setting',
  input: () => ({
    torqueNm: quantity('Nm', 0.1, 1000, 'Torque at the fastener'),
    wrenches: WRENCHES_FIELD,
    extensionMm: quantity('mm', 0, 1000, 'Extension head in line with the handle').optional(),
    leverMm: quantity('mm', 50, 2000, 'Drive to middle of the grip').optional(),
  }),
  example: { torqueNm: 18, wrenches: [{ name: 'long click', minNm: 40, maxNm: 190 }] },
  work({ torqueNm, wrenches, extensionMm = 0, leverMm }, show) {
    wrenches.forEach(({ name, minNm, maxNm }, i) => {
      if (minNm >= maxNm)
        throw inputError(
          `wrenches[${i}].minNm`,
          `${name} would start at {0} and end at {1}.`,
          'Enter a lowest setting below the highest',
          [
            { value: minNm, unit: 'Nm' },
            { value: maxNm, unit: 'Nm' },
          ],
        );
    });
    show.line('torque', 'at the fastener', torqueNm, 'Nm');
    const settings = wrenches.map((wrench) => {
      const lever = leverMm ?? wrench.leverMm;
      if (extensionMm === 0) return { wrench, settingNm: torqueNm };
      return lever === undefined
        ? null
        : { wrench, settingNm: (torqueNm * lever) / (lever + extensionMm), lever };
    });
    const usable = settings.filter((s) => s !== null);
    const covering = usable.filter(
      (s) => s.settingNm >= s.wrench.minNm && s.settingNm <= s.wrench.maxNm,
    );
    // The setting nearest the middle of the scale, where a click wrench is truest.
    const middle = (s: (typeof covering)[number]) =>
      Math.abs((s.settingNm - s.wrench.minNm) / (s.wrench.maxNm - s.wrench.minNm) - 0.5);
    const best = [...covering].sort((a, b) => middle(a) - middle(b))[0];
    for (const w of wrenches) {
      show.line(w.name, 'lowest setting', w.minNm, 'Nm');
      show.line(w.name, 'highest setting', w.maxNm, 'Nm');
    }
    show.basis(
      'practice',
      'a wrench is used within its scale only, near the middle when there is a choice',
    );
    if (best) {
      if (best.lever !== undefined) {
        show.basis('published', 'lever statics, setting = T·L / (L + A)');
        show.line(
          'setting',
          `${n(torqueNm)} × ${best.lever} / (${best.lever} + ${extensionMm})`,
          best.settingNm,
          'Nm',
        );
        show.caution('An extension at a right angle to the handle does not change the setting.');
      }
      show.verdict('good');
      return {
        wrench: best.wrench,
        settingNm: best.settingNm,
        reason: `${best.wrench.name} covers it.`,
      };
    }
    show.verdict('stop');
    show.caution('Winding a wrench below its scale is a guess, and is recorded as one.');
    if (wrenches.length > 0 && usable.length === 0)
      return {
        wrench: null,
        settingNm: null,
        reason: 'The lever length of the wrench is needed with an extension.',
      };
    const above = usable
      .filter((x) => x.settingNm < x.wrench.minNm)
      .sort((a, b) => a.wrench.minNm - b.wrench.minNm)[0];
    const below = usable
      .filter((x) => x.settingNm > x.wrench.maxNm)
      .sort((a, b) => b.wrench.maxNm - a.wrench.maxNm)[0];
    const parts = [
      below && `${below.wrench.name} ends below it`,
      above && `${above.wrench.name} starts above it`,
    ].filter(Boolean);
    const reason =
      parts.length > 0
        ? `No wrench covers it: ${parts.join('; ')}.`
        : 'The shop has no torque wrench on record.';
    return { wrench: null, settingNm: null, reason };
  },
});
