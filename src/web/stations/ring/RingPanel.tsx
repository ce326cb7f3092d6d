import { useState } from 'react';
import { RING_WORDS } from '../../../core/job';
import type { Step } from '../../../core/job/procedure';
import { placeText } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { DeviceLabel } from '../../shared/DeviceTake';
import { useJob } from '../../shared/job-context';
import { useKeys } from '../../parts/keys';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { StandInKnobs } from '../../shared/StandInKnobs';
import { CountBolts } from './CountBolts';
import { useRing, type RingAtHand } from './use-ring';

/** The wrench that walks the ring: what it says, and why a click ticked nothing. */
const Wrench = ({ at }: { at: RingAtHand }) => {
  const { say } = useUnits();
  const { device, line, text: says } = at.wrench;
  return (
    <div
      className="mt-2 rounded-[14px_14px_14px_4px] border-2 border-ink p-2"
      role="group"
      aria-label="Torque wrench"
    >
      <p className="flex items-baseline gap-3">
        <span className="num text-[26px] leading-none">
          {line ? say(line.value, 'Nm', { digits: 0 }) : '–'}
        </span>
        <span className="text-[15px] text-ink2" role="status">
          {says}
        </span>
      </p>
      {at.refused && <Reasons reasons={[at.refused]} />}
      {device && (
        <p className="text-[14px] text-ink2">
          <DeviceLabel device={device} />
        </p>
      )}
      {device?.simulated && <StandInKnobs key={device.name} device={device} />}
    </div>
  );
};

/** The ring at the step at hand: which bolt is next, in which pass, and the clicks that tick it. */
export const RingPanel = ({ step, big = false }: { step: Step | undefined; big?: boolean }) => {
  const { sideUp } = useJob();
  const { say } = useUnits();
  const [listening, setListening] = useState(false);
  const at = useRing(step, listening);
  const { ring } = at;
  const isTorque = step?.id.endsWith('-torque') === true;
  useKeys(ring?.next && isTorque ? [{ key: 'k', label: 'Bolt is torqued', run: at.tick }] : []);
  if (at.isUncounted) return <CountBolts />;
  if (!ring) return null;
  if (!isTorque)
    return (
      <p className="mt-3 border-l-4 border-water pl-3 text-[16px]">
        {ring.bolts} bolts, {ring.school}. Start every bolt by hand first; number 1 is the first
        after the valve.
      </p>
    );
  const { next, turns, done, wantedNm } = ring;
  return (
    <div className="mt-3 border-l-4 border-water pl-3" role="group" aria-label="Bolts of the ring">
      <p aria-live="polite">
        <span className={`head ${big ? 'text-[26px]' : 'text-xl'}`}>
          {next
            ? `${RING_WORDS[next.ring]}, ${next.pass === 1 ? 'first' : 'second'} pass: bolt ${next.bolt}`
            : 'Both passes done.'}
        </span>
        <span className={`block ${big ? 'text-[20px]' : 'text-[16px]'}`}>
          {next && `at ${placeText(sideUp === 'other' ? (360 - next.deg) % 360 : next.deg)}, `}
          {done} of {turns.length} turns of the wrench,{' '}
          {wantedNm === null
            ? 'maker’s torque unknown'
            : `${say(wantedNm, 'Nm')} each, by the maker`}
        </span>
      </p>
      {next && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button small hotkey="K" onClick={at.tick}>
            Bolt {next.bolt} is torqued
          </Button>
          {wantedNm !== null && (
            <Button small onClick={() => setListening(!listening)}>
              {listening ? 'Without the wrench' : 'Wrench checks off'}
            </Button>
          )}
        </div>
      )}
      {next && listening && <Wrench at={at} />}
    </div>
  );
};
