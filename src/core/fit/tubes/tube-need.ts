import { oneOf, boolean } from '../../base/fields';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

/** The facts that decide between tube and no tube. */
export interface TubeNeedInput {
  build: 'spoked' | 'cast' | 'split' | 'beadlock';
  /** The rim is marked for tubeless tires. */
  tubelessMarked: boolean;
  /** Spokes, or the halves of a split rim, are sealed by design. */
  sealed: boolean;
  /** Null where the rim code does not say. */
  safetyHump: boolean | null;
  tire: 'TL' | 'TT' | 'not marked';
  /** The fitter's intention. */
  tube: boolean;
  /** The maker allows this pairing in writing; asked for on a beadlock with a tube-type tire. */
  makerAllows?: boolean;
}

interface TubeNeed {
  /** The matrix's answer for this rim and tire. */
  need: 'tubeless' | 'tube' | 'by design' | 'refuse';
  /** The parts that go with it. */
  also: string[];
  reasons: Reason[];
}

/** The row of the matrix that a rim stands in. */
const rowOf = ({
  build,
  tubelessMarked,
  sealed,
  safetyHump,
}: TubeNeedInput):
  | 'tubeless rim'
  | 'cast, not marked'
  | 'spoked, unsealed'
  | 'split'
  | 'split, sealed'
  | 'beadlock' => {
  if (build === 'beadlock') return 'beadlock';
  if (build === 'split') return sealed ? 'split, sealed' : 'split';
  if (build === 'spoked' && !sealed) return 'spoked, unsealed';
  return tubelessMarked && safetyHump !== false ? 'tubeless rim' : 'cast, not marked';
};

const ROW_WORDS: Record<ReturnType<typeof rowOf>, string> = {
  'tubeless rim': 'A rim marked tubeless, with a safety hump',
  'cast, not marked': 'A rim that is not marked tubeless',
  'spoked, unsealed': 'An unsealed spoked rim',
  split: 'A split rim',
  'split, sealed': 'A split rim that is sealed by design',
  beadlock: 'A beadlock',
};

const TUBE_ROWS = ['cast, not marked', 'spoked, unsealed', 'split'];

/** Tube or no tube, by rim and tire. */
export const needsTube = (input: TubeNeedInput): TubeNeed => {
  const row = rowOf(input);
  const where = ROW_WORDS[row];
  const tubeType = input.tire === 'TT';
  const reasons: Reason[] = [];
  const said = (need: TubeNeed['need'], also: string[] = []): TubeNeed => ({ need, also, reasons });
  if (input.tire === 'not marked')
    reasons.push(
      reason(
        'check',
        'The tire is marked neither TL nor TT: read the sidewall again. Treated as tubeless.',
      ),
    );
  if (row === 'beadlock') {
    if (tubeType && !input.makerAllows) {
      reasons.push(
        reason('stop', 'Beadlock with a tube-type tire: do not fit it unless the maker says so.'),
      );
      return said('refuse');
    }
    if (tubeType)
      reasons.push(reason('check', 'A beadlock with a tube-type tire: only as the maker says.'));
    else reasons.push(reason('good', 'A beadlock: tubeless, or with a liner, as it was designed.'));
    return said('by design');
  }
  if (TUBE_ROWS.includes(row) || tubeType) {
    const why = tubeType
      ? `${where} with a tube-type tire takes a tube.`
      : `${where} takes a tube.`;
    if (!input.tube) reasons.push(reason('stop', why));
    else {
      reasons.push(reason('good', why));
      if (!tubeType && row === 'spoked, unsealed')
        reasons.push(
          reason(
            'check',
            'A tubeless tire with a tube: the right tube size, and a lower speed margin (unconfirmed).',
          ),
        );
    }
    return said('tube');
  }
  if (input.tube)
    reasons.push(
      reason(
        'check',
        `${where} needs no tube. Some riders want one for lower pressure off road: the speed margin is lower (unconfirmed).`,
      ),
    );
  else reasons.push(reason('good', `${where} with a tubeless tire needs no tube.`));
  if (row === 'tubeless rim' && input.safetyHump === null && !input.tube)
    reasons.push(reason('check', 'The rim code does not show a safety hump. Look for one.'));
  return said('tubeless', input.tube ? [] : ['a new valve stem']);
};

/**
 * Tube or no tube: the matrix of rim and tire, with its refusals.
 *
 * `safetyHump` null where the rim code does not say. Common practice; the makers of rim and tire decide.
 */
export const tubeNeed = defineWorking<TubeNeedInput, TubeNeed>({
  name: 'tube-need',
  title: 'Tube or tubeless',
  input: () => ({
    build: oneOf(['spoked', 'cast', 'split', 'beadlock'], 'Rim build'),
    tubelessMarked: boolean('The rim is marked tubeless'),
    sealed: boolean('Sealed by design'),
    safetyHump: boolean('A safety hump').allow(null),
    tire: oneOf(['TL', 'TT', 'not marked'], 'Sidewall marking'),
    tube: boolean('With a tube'),
    makerAllows: boolean('The maker allows it in writing').optional(),
  }),
  example: {
    build: 'spoked',
    tubelessMarked: false,
    sealed: false,
    safetyHump: false,
    tire: 'TT',
    tube: true,
  },
  work(input, show) {
    const need = needsTube(input);
    show.line(
      'rim',
      `${input.build}, ${input.tubelessMarked ? 'marked' : 'not marked'} tubeless${input.sealed ? ', sealed' : ''}`,
      rowOf(input),
    );
    show.line('tire', 'as marked', input.tire);
    show.line('needs', 'matrix of rim and tire', need.need);
    show.basis('practice', 'tube or no tube by rim and tire');
    show.verdict(worstOf(need.reasons));
    for (const r of need.reasons) if (r.verdict !== 'good') show.caution(r.says);
    if (input.build === 'split')
      show.caution('Split rim: let all air out before any rim bolt is undone.');
    if (input.build === 'beadlock')
      show.caution('Beadlock: the maker’s manual decides on liner, bolts and torque.');
    return need;
  },
});
