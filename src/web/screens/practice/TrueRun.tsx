import { useMemo, useState } from 'react';
import { hiddenSpokes, type SpokeLevel } from '../../../core/practice';
import { eighthsText, type Turned } from '../../../core/bench/truing';
import { angleBetween, normalDeg } from '../../../core/base/units';
import { spokeDegs } from '../../../core/fit/wheels';
import { type DialMark } from '../../../core/fit/drawing';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { useKeys } from '../../parts/keys';
import { PlaceField, usePlace } from '../../shared/place';
import { useUnits } from '../../shared/quantity';
import { WheelDial } from '../../pictures/WheelDial';
import { MovesList } from './MovesList';
import { RimSwing } from './RimSwing';
import { RunLayout } from './RunLayout';
import type { RunProps } from './run-props';
import { useRound } from './use-round';
import { DRAWN_PRACTICE } from './practice-pictures';

const EIGHTHS = ['1', '2', '3', '4'] as const;
/** The needle goes so far to either side, mm. */
const FULL_MM = 4;

/** The needle of an indicator. */
const Needle = ({ label, mm }: { label: string; mm: number | null }) => {
  const { say } = useUnits();
  const x = 150 + (140 * Math.max(-FULL_MM, Math.min(FULL_MM, mm ?? 0))) / FULL_MM;
  const text = mm === null ? 'not read' : `${mm > 0 ? '+' : ''}${say(mm, 'mm', { digits: 2 })}`;
  return (
    <div className="grid grid-cols-[112px_1fr_96px] items-center gap-2">
      <span>{label}</span>
      <svg viewBox="0 0 300 26" role="img" aria-label={`${label}: ${text}`} className="w-full">
        <path d="M10 13H290" className="stroke-lip" strokeWidth="6" />
        {[-4, -3, -2, -1, 0, 1, 2, 3, 4].map((v) => (
          <path
            key={v}
            d={`M${150 + 35 * v} ${v === 0 ? 2 : 7}V${v === 0 ? 24 : 19}`}
            className="stroke-ink2"
            strokeWidth="2"
          />
        ))}
        {mm !== null && <circle cx={x} cy="13" r="9" className="fill-water" />}
      </svg>
      <span className="num text-right text-[20px]">{text}</span>
    </div>
  );
};

/** A laced wheel on the screen: read at any place, nipples turned by number, until it runs true. */
export const TrueRun = ({ at, who, onDone }: RunProps) => {
  const place = usePlace();
  const { acts, act, tookS } = useRound<Turned>(at, who);
  const hidden = useMemo(() => hiddenSpokes(at.seed, at.level as SpokeLevel), [at.seed, at.level]);
  const wheel = useMemo(() => hidden.after(acts), [hidden, acts]);
  const degs = useMemo(() => spokeDegs({ spokes: hidden.spokes }), [hidden.spokes]);
  const step = 360 / hidden.spokes;
  const [deg, setDeg] = useState<number | null>(step / 2);
  const [fieldKey, setFieldKey] = useState(0);
  const [eighths, setEighths] = useState('2');
  const pick = (to: number) => {
    setDeg(normalDeg(to));
    setFieldKey((k) => k + 1);
  };
  const reading = deg === null ? null : wheel.read([deg])[0]!;
  // The nipple that lies nearest to the needle is the one at hand.
  const spoke =
    deg === null
      ? null
      : degs.reduce(
          (near, d, i) =>
            Math.abs(angleBetween(deg, d)) < Math.abs(angleBetween(deg, degs[near]!)) ? i : near,
          0,
        ) + 1;
  const turn = (sign: 1 | -1) => () =>
    spoke !== null && act({ spoke, eighths: sign * Number(eighths) });
  const done = () => onDone(acts, tookS());
  useKeys([
    { key: '.', label: 'Next spoke', run: () => pick((deg ?? 0) + step) },
    { key: ',', label: 'Previous spoke', run: () => pick((deg ?? 0) - step) },
    { key: 't', label: 'Tighten the nipple at the needle', run: () => void turn(1)() },
    { key: 'l', label: 'Loosen the nipple at the needle', run: () => void turn(-1)() },
    { key: 'n', label: 'Call it true: show results', run: done },
  ]);
  const marks = useMemo(
    (): DialMark[] => (deg === null ? [] : [{ is: 'rest', deg, label: 'the needle' }]),
    [deg],
  );
  const wheelOf = useMemo(
    () => ({ ...DRAWN_PRACTICE.dirt, spokes: hidden.spokes }),
    [hidden.spokes],
  );
  return (
    <RunLayout
      shows="The wheel"
      does="The indicator"
      picture={
        <WheelDial
          wheel={wheelOf}
          marks={marks}
          sideUp="disc"
          tireOn={false}
          onPick={pick}
          className="mx-auto w-full max-w-[520px]"
        />
      }
    >
      {deg !== null && <RimSwing wheel={wheel} deg={deg} />}
      <div role="status" className="grid gap-2">
        <Needle label="Side to side" mm={reading?.lateralMm ?? null} />
        <Needle label="Up and down" mm={reading?.radialMm ?? null} />
      </div>
      <p className="text-[15px] text-ink2">
        Plus is toward the disc side and outward. Spoke 1 is the first after the valve and goes to
        the disc side; they alternate.
      </p>
      <div className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <PlaceField key={fieldKey} label="Needle at" deg={deg} onPlace={setDeg} />
        <Button hotkey="," aria-label="Previous spoke" onClick={() => pick((deg ?? 0) - step)}>
          Back
        </Button>
        <Button hotkey="." aria-label="Next spoke" onClick={() => pick((deg ?? 0) + step)}>
          On
        </Button>
      </div>
      <div className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <ChoiceField
          label={spoke === null ? 'How far' : `Nipple ${spoke}, how far`}
          value={eighths}
          onChange={setEighths}
          options={EIGHTHS.map((v) => [v, eighthsText(Number(v))] as const)}
        />
        <Button go hotkey="T" disabled={spoke === null} onClick={turn(1)}>
          Tighten
        </Button>
        <Button hotkey="L" disabled={spoke === null} onClick={turn(-1)}>
          Loosen
        </Button>
      </div>
      <Button hotkey="N" className="justify-self-start" onClick={done}>
        Call it true
      </Button>
      <h2 className="text-[18px]">
        {acts.length} {acts.length === 1 ? 'nipple' : 'nipples'} turned
      </h2>
      <MovesList
        label="Turns so far"
        moves={acts.map(
          (n) =>
            `${n.eighths > 0 ? 'tightened' : 'loosened'} nipple ${n.spoke} at ${place.clock(degs[n.spoke - 1] ?? 0)} ${eighthsText(n.eighths)}`,
        )}
      />
    </RunLayout>
  );
};
