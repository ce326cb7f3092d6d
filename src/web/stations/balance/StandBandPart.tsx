import { useEffect, useState } from 'react';
import type { StandBand } from '../../../core/bench/balance';
import { ruleNumber } from '../../../core/base/rules';
import type { Working } from '../../../core/base/working';
import { Button } from '../../parts/Button';
import { Reasons } from '../../shared/Reasons';
import { useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { useApp, useDo } from '../../store';
import { api, ApiError } from '../../store/api';
import { announce } from '../../store/jobs-slice';
import { shopChanged } from '../../store/records-api';
import type { BalanceAnswered, BalanceAsked } from '../../workers/balance-worker';
import { startWorker } from './use-balance-worker';
import { refusalText } from '../../shared/refusal';

/**
 * The dead band of the shop's stand, learned from its wheels, and written down as the shop's own
 * once it is known.
 */
export const StandBandPart = () => {
  const dispatch = useDo();
  const who = useApp((s) => s.prefs.who);
  const rules = useApp((s) => s.shop.shop?.rules);
  const { say } = useUnits();
  const [learned, setLearned] = useState<Working<StandBand> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const worker = startWorker();
    worker.onmessage = ({ data }: MessageEvent<BalanceAnswered>) => {
      if (!('band' in data)) return;
      if (data.band.ok) setLearned(data.band.working);
      else setProblem(data.band.problem.message);
    };
    worker.onerror = () => setProblem('The calculation failed.');
    api.standWheels().then(
      ({ wheels }) => worker.postMessage({ id: 0, ask: 'band', wheels } satisfies BalanceAsked),
      (error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        setProblem(error.message);
      },
    );
    return () => worker.terminate();
  }, []);
  if (problem) return <p className="text-stop">{problem}</p>;
  if (!learned) return <p className="text-ink2">Reading the last wheels …</p>;
  const { bandG, known, reason } = learned.result;
  const rule = rules?.find((r) => r.key === 'balance.bandG');
  const nowG = ruleNumber('balance.bandG', rule ? { 'balance.bandG': rule.value } : {});
  const keep = async () => {
    const value = Math.round(bandG * 10) / 10;
    try {
      await api.changeRule('balance.bandG', {
        value,
        note: rule?.note ?? '',
        who,
        reason: `Learned from the shop’s last wheels: ${reason.says}`,
      });
      await dispatch(shopChanged());
      dispatch(
        announce({ text: `Saved for new jobs: stand dead band ${say(value, 'g')}.`, tone: 'good' }),
      );
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      dispatch(announce({ text: refusalText(error), tone: 'stop' }));
    }
  };
  return (
    <>
      <Reasons reasons={[reason]} />
      <p className="mt-2 flex flex-wrap items-center gap-3">
        <span>
          {nowG > 0 ? `The shop’s rule says ${say(nowG, 'g')}.` : 'Not saved as a shop rule yet.'}
        </span>
        <BasisTag title="stand dead band" working={learned}>
          learned
        </BasisTag>
        {known && Math.abs(nowG - bandG) > 0.1 && (
          <Button small disabled={!who} onClick={() => void keep()}>
            Save
          </Button>
        )}
      </p>
    </>
  );
};
