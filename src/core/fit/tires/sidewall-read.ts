import { marking as markingField } from '../../base/fields';
import { said, type Sentence } from '../../base/units';
import { defineWorking } from '../../base/working';
import { maxLoadKg } from './load-index';
import { parseMarking, type Marking, type PartKind } from './marking';
import { nominalRimMm } from './rim-diameter';
import { readSign } from './size-notation';
import { maxSpeedKmh } from './speed-symbol';

/** A piece of a marking, what it is called and what it means. */
interface SidewallPart extends Sentence {
  kind: PartKind;
  /** As it stands on the sidewall, capitals. */
  text: string;
  called: string;
  /** The common mistake. */
  mind?: string;
}

const CALLED: Record<PartKind, string> = {
  width: 'section width',
  aspect: 'height as a percentage',
  overall: 'overall diameter',
  letters: 'width, in letters',
  construction: 'construction',
  rim: 'rim diameter',
  motorcycle: 'motorcycle',
  service: 'load and speed',
  tubeless: 'tubeless',
  'tube-type': 'tube type',
  front: 'front',
  rear: 'rear',
  'either-end': 'front or rear',
  'tube-or-not': 'with or without a tube',
  reinforced: 'reinforced',
  'not-for-highway': 'not for the road',
  ply: 'strength',
  'mud-and-snow': 'mud and snow',
};

const CONSTRUCTION = {
  bias: 'Bias: the cords cross from bead to bead.',
  belted: 'Belted: crossed cords with a belt under the tread.',
  radial: 'Radial: the cords run straight across, under a belt.',
} as const;

const explain = (
  kind: PartKind,
  text: string,
  m: Marking,
): Pick<SidewallPart, 'says' | 'pattern' | 'quantities' | 'mind'> => {
  const { head } = m;
  switch (kind) {
    case 'width':
      if (head.notation === 'metric')
        return said('{0} section width, on the measuring rim.', [
          { value: head.widthMm!, unit: 'mm' },
        ]);
      if (head.notation === 'slick')
        return {
          ...said('The tread is {0} wide.', [{ value: head.widthMm!, unit: 'mm' }]),
          mind: 'Not the section width, which is larger.',
        };
      return said('{0} width, printed in inches.', [{ value: head.widthMm!, unit: 'mm' }]);
    case 'aspect': {
      const mind = 'A percentage of the width, not millimeters.';
      if (head.widthMm === null)
        return { says: `The sidewall is ${head.aspectRatio}% as high as the tire is wide.`, mind };
      return {
        ...said(`${head.aspectRatio}% of the width: a sidewall {0} high.`, [
          { value: (head.widthMm * head.aspectRatio!) / 100, unit: 'mm' },
        ]),
        mind,
      };
    }
    case 'overall':
      return said('Overall diameter {0}, printed in inches.', [
        { value: head.overallDiameterMm!, unit: 'mm' },
      ]);
    case 'letters':
      return { says: 'Letters for a width. The table is unconfirmed; see Rules.' };
    case 'construction': {
      if (text.startsWith('Z'))
        return { says: 'Radial, for more than 240 km/h: the index beside it gives the speed.' };
      const inside = readSign(text).speedSymbol;
      if (inside === null) return { says: CONSTRUCTION[m.construction] };
      return said(
        `${CONSTRUCTION[m.construction]} ${inside}, the speed symbol inside the size: up to {0}.`,
        [{ value: maxSpeedKmh(inside)!, unit: 'km/h' }],
      );
    }
    case 'rim':
      return {
        ...said('For a rim {0} across the bead seat, coded in inches.', [
          { value: nominalRimMm(m.rimDiameterIn)!, unit: 'mm' },
        ]),
        mind: 'Fits this rim diameter only.',
      };
    case 'motorcycle':
      return { says: 'For motorcycle rims only: their bead seats differ from a car’s.' };
    case 'service':
      return {
        ...said(
          `Load index ${m.loadIndex}: {0} at most. Speed symbol ${m.speedSymbol}: up to {1}.`,
          [
            { value: maxLoadKg(m.loadIndex!)!, unit: 'kg' },
            { value: maxSpeedKmh(m.speedSymbol!)!, unit: 'km/h' },
          ],
        ),
        mind: 'Both must meet or exceed the machine’s spec.',
      };
    case 'tubeless':
      return {
        says: 'Needs no tube on a tubeless rim.',
        mind: 'On an unsealed spoked rim it still needs a tube.',
      };
    case 'tube-or-not':
      return {
        says: 'Made to be run with a tube or without one: the rim decides.',
        mind: 'On an unsealed spoked rim it needs a tube.',
      };
    case 'either-end':
      return {
        says: 'Made for either end.',
        mind: 'The arrow may be turned round on the other end: the maker decides.',
      };
    case 'tube-type':
      return { says: 'Always with a tube.' };
    case 'front':
    case 'rear':
      return {
        says: `Made for the ${kind} wheel.`,
        mind: 'On the other end the arrow may mean something else: the maker decides.',
      };
    case 'reinforced':
      return { says: 'A stronger carcass, for more load at higher pressure.' };
    case 'not-for-highway':
      return { says: 'Never on the road.' };
    case 'ply':
      return { says: `A strength grade, not the number of plies.` };
    case 'mud-and-snow':
      return { says: 'A tread for mud and snow, by the maker’s own word.' };
  }
};

/**
 * Every piece of a marking explained where it stands.
 *
 * `marking` up to 40 characters, in any notation of `tire-size`. Throws `InputError` where it stops making sense.
 * Source: UN Regulation No. 75 for the notation; ISO 4000-1 for load and speed.
 */
export const sidewallRead = defineWorking<
  { marking: string },
  { text: string; parts: SidewallPart[] }
>({
  name: 'sidewall-read',
  title: 'Sidewall reader',
  input: () => ({ marking: markingField('The marking as printed on the sidewall') }),
  example: { marking: '120/70 ZR 17 M/C (58W) TL' },
  work({ marking }, show) {
    const m = parseMarking(marking);
    show.basis('published', 'UN Regulation No. 75, tire size designation');
    if (m.loadIndex !== null) show.basis('published', 'ISO 4000-1, load index and speed symbol');
    const parts = [...m.parts]
      .sort((a, b) => a.from - b.from)
      .map(({ kind, from, to }): SidewallPart => {
        const text = m.text.slice(from, to).trim();
        show.line(CALLED[kind], 'as printed', text);
        return {
          kind,
          text,
          called: kind === 'width' && m.head.notation === 'slick' ? 'tread width' : CALLED[kind],
          ...explain(kind, text, m),
        };
      });
    if (m.head.notation === 'letter') show.basis('memory', 'the width that the letters stand for');
    return { text: m.text, parts };
  },
});
