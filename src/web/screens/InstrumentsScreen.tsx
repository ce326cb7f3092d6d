import { dateText } from '../../core/base/units';
import { Link } from 'react-router';
import { DEVICE_KINDS, FAILURES, type DeviceState, type Failure } from '../../core/bench/devices';
import type { Verdict } from '../../core/base/working';
import { Button } from '../parts/Button';
import { DEVICE_DIGITS } from '../shared/DeviceTake';
import { ChoiceField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { StandInKnobs } from '../shared/StandInKnobs';
import { useAllDevices } from '../shared/use-all-devices';
import { VerdictShape } from '../parts/VerdictMark';
import { useApp, useDo } from '../store';
import { api, ApiError, type HeldDevice } from '../store/api';
import { announce } from '../store/jobs-slice';
import { standInsChosen } from '../store/prefs-slice';
import { refusalText } from '../shared/refusal';

const STATE: Record<DeviceState, { verdict: Verdict; word: string }> = {
  live: { verdict: 'good', word: 'Live' },
  silent: { verdict: 'check', word: 'Silent' },
  frozen: { verdict: 'stop', word: 'Frozen' },
  nonsense: { verdict: 'stop', word: 'Bad data' },
};

const age = (ms: number | null): string =>
  ms === null
    ? 'never heard'
    : ms < 1000
      ? 'just now'
      : ms < 120_000
        ? `${Math.round(ms / 1000)} s ago`
        : `${Math.round(ms / 60_000)} min ago`;

/**
 * One instrument: what it says, how it stands, when it was calibrated; a stand-in can be held and
 * broken here.
 */
const Instrument = ({
  device,
  heard,
  refresh,
}: {
  device: HeldDevice;
  heard: ReturnType<ReturnType<typeof useAllDevices>['lastOf']>;
  refresh: () => Promise<void>;
}) => {
  const dispatch = useDo();
  const { say } = useUnits();
  const { says, unit } = DEVICE_KINDS[device.kind];
  const state = STATE[device.state];
  const line = heard?.line ?? device.last;
  const act = async (what: () => Promise<void>) => {
    try {
      await what();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      dispatch(announce({ text: refusalText(error), tone: 'stop' }));
    }
    await refresh();
  };
  return (
    <li
      aria-label={device.name}
      className="grid gap-x-6 gap-y-2 border-b border-stone3 py-4 lg:grid-cols-[230px_220px_1fr]"
    >
      <div>
        <h2 className="text-[22px]">{device.name}</h2>
        <p className="text-[15px] text-ink2">
          {says}
          {device.simulated ? ', simulated' : ''}
        </p>
        <p className="text-[15px] text-ink2">
          {device.calibratedOn ? (
            `calibrated ${dateText(device.calibratedOn)}`
          ) : (
            <>
              calibration not recorded,{' '}
              <Link to={`/records/${device.kind === 'torque-wrench' ? 'wrenches' : 'instruments'}`}>
                add it
              </Link>
            </>
          )}
        </p>
      </div>
      <div>
        <p className="num whitespace-nowrap text-[38px] leading-none">
          {line && device.state !== 'silent'
            ? say(line.value, unit, { digits: DEVICE_DIGITS[device.kind] })
            : '–'}
        </p>
        <p className="mt-1 flex items-center gap-2 font-semibold" role="status">
          <VerdictShape verdict={state.verdict} size={20} />
          {state.word}
        </p>
        <p className="text-[15px] text-ink2">
          last line {age(device.ageMs)}
          {heard ? ` · ${heard.count} since you opened this` : ''}
        </p>
        {device.state === 'nonsense' && <p className="text-[15px] text-stop">{device.problem}</p>}
        {device.state === 'frozen' && (
          <p className="text-[15px] text-stop">It repeats the same reading, so it is ignored.</p>
        )}
      </div>
      {device.simulated ? (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <StandInKnobs device={device} full />
          <div className="w-[170px]">
            <ChoiceField
              label="Simulate a fault"
              value={device.fails ?? ''}
              onChange={(v) =>
                void act(() => api.failDevice(device.name, (v || null) as Failure | null))
              }
              options={[['', 'no fault'], ...FAILURES.map((f) => [f, f] as const)]}
            />
          </div>
        </div>
      ) : (
        device.state === 'silent' && (
          <div>
            <Button small onClick={() => void act(() => api.forgetDevice(device.name))}>
              Remove
            </Button>
          </div>
        )
      )}
    </li>
  );
};

/** The connected instruments, their readings, and how the simulated ones are held and broken. */
export const InstrumentsScreen = () => {
  const dispatch = useDo();
  const standIns = useApp((s) => s.prefs.standIns);
  const { devices, problem, refresh, lastOf } = useAllDevices();
  return (
    <Frame
      title="Instruments"
      actions={
        <Button small aria-pressed={standIns} onClick={() => dispatch(standInsChosen(!standIns))}>
          Simulated instruments at stations
        </Button>
      }
    >
      <p className="mb-3 max-w-[70ch] text-ink2">
        Real instruments connect through the bridge. A reading enters a job only when you tap it,
        and only while it is live and steady.
      </p>
      {problem && (
        <Failed message={problem}>
          <Button onClick={() => void refresh()}>Try again</Button>
        </Failed>
      )}
      {!devices && !problem && <Waiting what="Loading instruments" />}
      {devices && (
        <ul className="border-t-2 border-ink" aria-label="Instruments">
          {devices.map((device) => (
            <Instrument
              key={device.name}
              device={device}
              heard={lastOf(device.name)}
              refresh={refresh}
            />
          ))}
        </ul>
      )}
      {devices?.length === 0 && <p>No instrument is connected.</p>}
    </Frame>
  );
};
