import { counted } from '../../core/base/units';
import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { hasStrip, partsOf } from '../../core/job';
import { worstFirst } from '../../core/base/working';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { Reasons } from '../shared/Reasons';
import { SizePicture } from '../pictures/SizePicture';
import { useMainWorking } from '../shared/working';
import { Waiting } from '../shared/Frame';
import { useJob } from '../shared/job-context';
import { LoadTab } from './choose/LoadTab';
import { ListTab } from './choose/ListTab';
import { PartsTab } from './choose/PartsTab';
import { TireTab } from './choose/TireTab';
import { ToolCloth, ToolsTab } from './choose/ToolsTab';
import { TYPED } from './choose/choice-draft';
import { useChoice } from './choose/use-choice';
import { useTires } from './choose/use-shelf';
import { JobDial, StationLayout } from './StationLayout';

const TABS = [
  ['tire', 'Tire'],
  ['parts', 'Parts'],
  ['load', 'Load'],
  ['list', 'List'],
  ['tools', 'Tools'],
] as const;
const NOW = { good: 'It fits.', check: 'Check before fitting.', stop: 'Does not fit.' } as const;
/** Doubts that stand beside the verdict; the others are one tap away. */
const SHOWN = 3;

/**
 * Will it fit, and with which tube, lock, strip, valve, parts and tools. The verdict first, then
 * what is not good, then the rest.
 */
const WithShelf = () => {
  const { write, correcting, goTo, wheel } = useJob();
  const choice = useChoice();
  const { drafting, fits, parts } = choice;
  const [params, setParams] = useSearchParams();
  const tab = TABS.find(([id]) => id === params.get('show'))?.[0] ?? 'tire';
  const [tried, setTried] = useState(false);
  const { draft } = drafting;
  const { fit, compared } = fits;
  const { tube: hasTube, tread: tireTread } = draft;
  const pictured = useMemo(
    () => ({
      wheel: { ...wheel, tireTread },
      hasTube,
      hasStrip: hasStrip(wheel),
      hasLock: wheel.rimLockDegs.length > 0,
    }),
    [wheel, tireTread, hasTube],
  );
  useMainWorking('whether it fits', fit.ok ? fit.working : null);

  const save = async () => {
    setTried(true);
    if (!compared.ok || (fits.age && !fits.age.ok) || drafting.limitProblem)
      return setParams({}, { replace: true });
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
            tubeId: tube ? (parts.tubeFit?.id ?? null) : null,
            tubeLabel: tube ? (parts.tubeFit?.label ?? null) : null,
            lightMark,
            seatLimitKpa: drafting.limitKpa,
            tread,
            arrows,
            takeOff,
            treadMm,
            parts: partsOf(parts.wants),
            doubled: tube && draft.doubled,
          },
        },
      ],
      'Choice saved.',
    );
    if (done) goTo('wheel-off');
  };
  useKeys([
    { key: 'n', label: 'Use this tire and go on', run: () => void save() },
    ...TABS.map(([id, name], i) => ({
      key: String(i + 1),
      label: `Show: ${name.toLowerCase()}`,
      run: () => setParams(id === 'tire' ? {} : { show: id }, { replace: true }),
    })),
  ]);

  const tubeReasons =
    draft.tube && parts.picks && !parts.tubeFit
      ? [{ verdict: 'stop' as const, says: 'No tube in stock fits this tire.' }]
      : [];
  const all = [...(fit.ok ? fit.working.result.reasons : []), ...tubeReasons];
  const doubts = worstFirst(all).filter((r) => r.verdict !== 'good');
  const good = all.filter((r) => r.verdict === 'good');
  const verdict = doubts[0]?.verdict ?? 'good';
  return (
    <StationLayout
      picture={
        tab === 'tools' && parts.tools ? (
          <ToolCloth choice={choice} />
        ) : compared.ok ? (
          <SizePicture
            comparison={compared.working.result}
            at={pictured}
            {...(choice.context.clearancesMm ? { clearancesMm: choice.context.clearancesMm } : {})}
          />
        ) : (
          <JobDial />
        )
      }
      lead={`${choice.context.from} comes off`}
      now={fit.ok ? NOW[verdict] : 'Which tire goes on?'}
      act={
        fit.ok && (
          <div className="-mt-2">
            <Reasons reasons={doubts.slice(0, SHOWN)} />
            <details className="text-[16px]" key={draft.tireId + draft.marking}>
              <summary className="min-h-12 cursor-pointer py-2.5 underline">
                {doubts.length > SHOWN ? `${doubts.length - SHOWN} more to check, ` : ''}
                {counted(good.length, 'check')} passed
              </summary>
              <Reasons reasons={[...doubts.slice(SHOWN), ...good]} />
            </details>
          </div>
        )
      }
    >
      <Tabs.Root
        value={tab}
        onValueChange={(v) => setParams(v === 'tire' ? {} : { show: v }, { replace: true })}
      >
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
            <TireTab choice={choice} tried={tried} />
            <Button go type="submit" hotkey="N" className="mt-2">
              Use this tire
            </Button>
          </Tabs.Content>
        </form>
        <Tabs.Content value="parts">
          <PartsTab choice={choice} />
        </Tabs.Content>
        <Tabs.Content value="load">
          <LoadTab choice={choice} />
        </Tabs.Content>
        <Tabs.Content value="list">
          <ListTab choice={choice} />
        </Tabs.Content>
        <Tabs.Content value="tools">
          <ToolsTab choice={choice} />
        </Tabs.Content>
      </Tabs.Root>
    </StationLayout>
  );
};

/** The station Choose. Its first pick depends on the shelf, which is asked for before. */
export const Choose = () => {
  const { isMachineRead } = useJob();
  const tires = useTires();
  return tires && isMachineRead ? <WithShelf /> : <Waiting what="Loading stock" />;
};
