import type { EntryData } from '../../../core/job';
import { useUnits } from '../../shared/quantity';

interface Props {
  before: EntryData['slack'] | null;
  after: EntryData['slack'] | null;
  marks: EntryData['marks'] | null;
  className?: string;
}

const RUN_PX = 380;
const FRONT = { x: 84, y: 92, r: 24 };
const REAR = { x: FRONT.x + RUN_PX, y: 92, r: 58 };
const MIDDLE = (FRONT.x + REAR.x) / 2;
/** The lower run leaves both sprockets at their lowest points. */
const runY = (x: number) => {
  const [from, to] = [FRONT.y + FRONT.r, REAR.y + REAR.r];
  return from + ((to - from) * (x - FRONT.x)) / RUN_PX;
};
/** The factor that enlarges a difference of millimeters. */
const MARK_TIMES = 5;

/** The lower run pushed up and pulled down by the play, to the scale of the run. */
const sags = (slackMm: number, runMm: number): string[] => {
  // A curve of this control point passes its middle at half its height.
  const swing = ((slackMm / runMm) * RUN_PX) / 2;
  return [-1, 1].map(
    (way) =>
      `M${FRONT.x} ${runY(FRONT.x)}Q${MIDDLE} ${runY(MIDDLE) + way * 2 * swing} ${REAR.x} ${runY(REAR.x)}`,
  );
};

/** The two adjusters from above, level or not. */
const Marks = ({ marks }: { marks: EntryData['marks'] }) => {
  const { say } = useUnits();
  const middleMm = (marks.leftMm + marks.rightMm) / 2;
  const at = (mm: number) => 285 + (mm - middleMm) * MARK_TIMES;
  return (
    <g>
      {(
        [
          ['left', marks.leftMm, 210],
          ['right', marks.rightMm, 256],
        ] as const
      ).map(([word, mm, y]) => (
        <g key={word}>
          <path
            d={`M170 ${y}H400`}
            className="stroke-stone3"
            strokeWidth="10"
            strokeLinecap="round"
          />
          <path d={`M${at(mm)} ${y - 15}V${y + 15}`} className="stroke-ink" strokeWidth="5" />
          <text x="40" y={y + 6} fontSize="18" className="fill-ink">
            {word}
          </text>
          <text x="430" y={y + 6} fontSize="18" className="num fill-ink">
            {say(mm, 'mm', { digits: 1 })}
          </text>
        </g>
      ))}
      <path
        d={`M${at(marks.leftMm)} 210L${at(marks.rightMm)} 256`}
        className="stroke-water"
        strokeWidth="3"
      />
    </g>
  );
};

/**
 * Chain and sprockets from the side with its play before and after, and the marks of the adjusters
 * from above.
 */
export const ChainPicture = ({ before, after, marks, className = '' }: Props) => {
  const { say } = useUnits();
  const runMm = (after ?? before)?.runMm ?? 600;
  const tight = (slack: EntryData['slack'] | null) => (slack ? Math.min(...slack.placesMm) : null);
  const [beforeMm, afterMm] = [tight(before), tight(after)];
  const says = [
    beforeMm !== null && `${say(beforeMm, 'mm')} before`,
    afterMm !== null && `${say(afterMm, 'mm')} after`,
    marks &&
      `marks ${say(marks.leftMm, 'mm', { digits: 1 })} left, ${say(marks.rightMm, 'mm', { digits: 1 })} right`,
  ].filter(Boolean);
  return (
    <svg
      viewBox={`0 0 560 ${marks ? 290 : 190}`}
      role="img"
      aria-label={`Chain from the side. ${says.length > 0 ? says.join(', ') : 'Nothing measured yet'}.`}
      className={`w-full ${className}`}
    >
      <path
        d={`M${FRONT.x} ${FRONT.y}L${REAR.x} ${REAR.y}`}
        className="stroke-stone3"
        strokeWidth="34"
        strokeLinecap="round"
      />
      {[FRONT, REAR].map((s) => (
        <circle
          key={s.x}
          cx={s.x}
          cy={s.y}
          r={s.r}
          className="fill-stone2 stroke-ink"
          strokeWidth="4"
        />
      ))}
      <circle cx={REAR.x} cy={REAR.y} r="9" className="fill-ink" />
      <path
        d={`M${FRONT.x} ${FRONT.y - FRONT.r}L${REAR.x} ${REAR.y - REAR.r}`}
        className="stroke-ink"
        strokeWidth="4"
      />
      {beforeMm !== null &&
        sags(beforeMm, runMm).map((d) => (
          <path
            key={d}
            d={d}
            fill="none"
            className="stroke-check"
            strokeWidth="3"
            strokeDasharray="9 7"
          />
        ))}
      {afterMm !== null &&
        sags(afterMm, runMm).map((d) => (
          <path key={d} d={d} fill="none" className="stroke-water" strokeWidth="5" />
        ))}
      {beforeMm === null && afterMm === null && (
        <path
          d={`M${FRONT.x} ${runY(FRONT.x)}L${REAR.x} ${runY(REAR.x)}`}
          className="stroke-ink"
          strokeWidth="4"
        />
      )}
      <text x={MIDDLE - 60} y="176" textAnchor="end" fontSize="18" className="num fill-check">
        {beforeMm !== null && `${say(beforeMm, 'mm')} before`}
      </text>
      <text x={MIDDLE - 40} y="176" fontSize="20" className="num fill-water">
        {afterMm !== null && `${say(afterMm, 'mm')} after`}
      </text>
      {marks && <Marks marks={marks} />}
    </svg>
  );
};
