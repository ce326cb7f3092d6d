import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { partsOf } from '../../core/job';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { Reasons } from '../parts/Reasons';
import { SizePicture } from '../parts/SizePicture';
import { useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { LoadTab } from './choose/LoadTab';
import { ListTab } from './choose/ListTab';
import { PartsTab } from './choose/PartsTab';
import { TireTab } from './choose/TireTab';
import { ToolCloth, ToolsTab } from './choose/ToolsTab';
import { TYPED, useChoice } from './choose/use-choice';
import { JobDial, StationLayout } from './StationLayout';

const TABS = [
  ['tire', 'Tire'],
  ['parts', 'Parts'],
  ['load', 'Load'],
  ['list', 'List'],
  ['tools', 'Tools'],
] as const;
const NOW = { good: 'It fits.', check: 'Look before you fit it.', stop: 'It does not fit.' } as const;
/** Doubts that stand beside the verdict; the others are one tap away. */
const SHOWN = 3;
const RANK = { stop: 0, check: 1, good: 2 } as const;

/** Will it fit, and with which tube, lock, strip, valve, parts and tools. The verdict first, then what is not good, then the rest. */
export const Choose = () => {
  const { write, correcting, goTo } = useJob();
  const at = useChoice();
  const [params, setParams] = useSearchParams();
  const tab = TABS.find(([id]) => id === params.get('show'))?.[0] ?? 'tire';
  const [tried, setTried] = useState(false);
  const { draft, fit, compared } = at;
  useMainWorking('whether it fits', fit.ok ? fit.working : null);

  const save = async () => {
    setTried(true);
    if (!compared.ok || (at.age && !at.age.ok) || at.limitProblem) return setParams({}, { replace: true });
    const { marking, dateCode, tube, lightMark, tread, arrows, takeOff, treadMm } = draft;
    const done = await write(
      [
        {
          kind: 'chosen',
          ...correcting('chosen'),
          data: {
            marking: marking.trim(),
            dateCode: dateCode.trim() || null,
            tireId: draft.tireId === TYPED ? null : draft.tireId,
            tube,
            tubeId: tube ? (at.tubeFit?.id ?? null) : null,
            tubeLabel: tube ? (at.tubeFit?.label ?? null) : null,
            lightMark,
            seatLimitKpa: at.limitKpa,
            tread,
            arrows,
            takeOff,
            treadMm,
            parts: partsOf(at.wants),
            doubled: tube && draft.doubled,
          },
        },
      ],
      'The choice is written.',
    );
    if (done) goTo('wheel-off');
  };
  useKeys([
    { key: 'n', says: 'Take this tire and go on', run: () => void save() },
    ...TABS.map(([id, name], i) => ({
      key: String(i + 1),
      says: `Show: ${name.toLowerCase()}`,
      run: () => setParams(id === 'tire' ? {} : { show: id }, { replace: true }),
    })),
  ]);

  const tubeReasons =
    at.draft.tube && at.picks && !at.tubeFit
      ? [{ verdict: 'stop' as const, says: 'No tube in stock serves this tire.' }]
      : [];
  const all = [...(fit.ok ? fit.working.result.reasons : []), ...tubeReasons];
  const doubts = all.filter((r) => r.verdict !== 'good').sort((a, b) => RANK[a.verdict] - RANK[b.verdict]);
  const good = all.filter((r) => r.verdict === 'good');
  const verdict = doubts[0]?.verdict ?? 'good';
  return (
    <StationLayout
      picture={
        tab === 'tools' && at.tools ? (
          <ToolCloth at={at} />
        ) : compared.ok ? (
          <SizePicture
            comparison={compared.working.result}
            {...(at.context.clearancesMm ? { clearancesMm: at.context.clearancesMm } : {})}
          />
        ) : (
          <JobDial />
        )
      }
      lead={`${at.context.from} comes off`}
      now={fit.ok ? NOW[verdict] : 'Which tire goes on?'}
    >
      {fit.ok && (
        <div className="-mt-2">
          <Reasons reasons={doubts.slice(0, SHOWN)} />
          <details className="text-[16px]" key={draft.tireId + draft.marking}>
            <summary className="min-h-12 cursor-pointer py-2.5 underline">
              {doubts.length > SHOWN ? `${doubts.length - SHOWN} more doubts, and ` : ''}
              {good.length} {good.length === 1 ? 'thing is' : 'things are'} good
            </summary>
            <Reasons reasons={[...doubts.slice(SHOWN), ...good]} />
          </details>
        </div>
      )}
      <Tabs.Root value={tab} onValueChange={(v) => setParams(v === 'tire' ? {} : { show: v }, { replace: true })}>
        <Tabs.List aria-label="What to choose" className="flex border-b-2 border-ink">
          {TABS.map(([id, name]) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="head min-h-12 flex-1 cursor-pointer rounded-t-xl border-x-2 border-t-2 border-transparent px-1 text-[17px] text-ink2 data-[state=active]:border-ink data-[state=active]:bg-stone2 data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void save();
          }}
        >
          <Tabs.Content value="tire" tabIndex={-1}>
            <TireTab at={at} tried={tried} />
            <Button go type="submit" hotkey="N" className="mt-2">
              Take this tire
            </Button>
          </Tabs.Content>
        </form>
        <Tabs.Content value="parts">
          <PartsTab at={at} />
        </Tabs.Content>
        <Tabs.Content value="load">
          <LoadTab at={at} />
        </Tabs.Content>
        <Tabs.Content value="list">
          <ListTab at={at} />
        </Tabs.Content>
        <Tabs.Content value="tools">
          <ToolsTab at={at} />
        </Tabs.Content>
      </Tabs.Root>
    </StationLayout>
  );
};
