import { chainSlack } from '../../bench/drive';
import { listOf, oneOf, quantity } from '../../base/fields';
import { alignedSteps, type AlignmentState, type SlackData } from '../alignment-state';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe } from '../entry-fields';

/** The readings as the calculator takes them: the first place and the others. */
export const slackInput = ({ placesMm, wantMinMm, wantMaxMm, runMm, pitchMm }: SlackData) => ({
  slackMm: placesMm[0]!,
  otherPlacesMm: placesMm.slice(1),
  wantMinMm,
  wantMaxMm,
  runMm,
  ...(pitchMm === null ? {} : { pitchMm }),
});

/**
 * Play of chain or belt in the middle of its lower run, at several places; `pitchMm` is null when
 * not known.
 */
export const slackEntry = defineEntry<
  SlackData,
  Pick<AlignmentState, 'slack'>,
  Omit<AlignmentState, 'slack'>
>({
  ...WHEEL_WORK,
  schema: () => ({
    when: oneOf(['before', 'after'], 'Before it was adjusted, or after'),
    placesMm: listOf(
      quantity('mm', 0, 300, 'Slack at a place'),
      12,
      'Slack, at several places of the chain',
    ).custom((places: unknown[], helpers) =>
      places.length > 0 ? places : helpers.error('any.invalid'),
    ),
    wantMinMm: quantity('mm', 0, 200, 'Slack in the manual, min'),
    wantMaxMm: quantity('mm', 1, 250, 'Slack in the manual, max'),
    runMm: quantity('mm', 150, 1500, 'Free chain run'),
    pitchMm: maybe(quantity('mm', 0.5, 3, 'Adjuster thread pitch')),
  }),
  check: (data) => void chainSlack.run(slackInput(data)),
  text: ({ when, placesMm, wantMinMm, wantMaxMm }, { q }) =>
    `Chain slack ${when} adjusting: ${placesMm.map((mm) => q(mm, 'mm')).join(', ')}; ${q(wantMinMm, 'mm')} to ${q(wantMaxMm, 'mm')} spec`,
  initial: { slack: { before: null, after: null } },
  apply: ({ slack }, { data }) => ({ slack: { ...slack, [data.when]: data } }),
  steps: (_, after) => alignedSteps(after),
});
