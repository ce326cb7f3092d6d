import { Button } from '../parts/Button';
import { PlaceField } from '../parts/place';
import { BeforeAfter } from './balance/BeforeAfter';
import { DOING_WORDS, DOINGS, type Doing } from './balance/doing';
import { Figures } from './balance/Figures';
import { LevelButtons, MachineFields, RestFields, SwingFields, useSeenSide } from './balance/HandFields';
import { MoreSheet } from './balance/MoreSheet';
import { PieceShelf } from './balance/PieceShelf';
import { StandRow } from './balance/StandRow';
import { Tries } from './balance/Tries';
import { useBalancing } from './balance/use-balancing';
import { JobDial, StationLayout } from './StationLayout';

/** The fewest weights in the fewest tries: what is believed of the heavy spot, and the next thing to do about it. */
export const Balance = () => {
  const at = useBalancing();
  const {
    balance,
    place,
    sides,
    toleranceG,
    stand,
    stock,
    estimate,
    advice,
    placed,
    busy,
    search,
    lastTime,
    words,
    sayPieces,
    oddId,
    hand,
    doing,
    byHand,
    clear,
    put,
    go,
    finish,
    picked,
    setPicked,
    pick,
    picking,
    fieldKey,
    levelDeg,
    level,
    draft,
    setDraft,
    toPut,
  } = at;
  const seenSide = useSeenSide();
  const beside = (
    <>
      {hand && <Button onClick={clear}>As advised</Button>}
      <select
        className="field !w-[122px]"
        aria-label="Do something else, by hand"
        value=""
        onChange={(e) => byHand(e.target.value as Doing)}
      >
        <option value="" disabled>
          By hand
        </option>
        {DOINGS.filter((d) => d !== doing).map((d) => (
          <option key={d} value={d}>
            {DOING_WORDS[d]}
          </option>
        ))}
      </select>
      <MoreSheet
        estimate={estimate}
        onFinish={estimate !== null && !balance.balanced && doing !== 'done' ? () => void finish() : null}
      />
    </>
  );
  const lead = hand
    ? 'By hand'
    : doing === 'done'
      ? `Balanced in ${balance.placements === 1 ? 'one try' : `${balance.placements} tries`}`
      : `Do this next${balance.placements > 0 || doing === 'put' ? ` · try ${balance.placements + (doing === 'put' ? 1 : 0)} of about 2` : ''}`;

  return (
    <StationLayout
      picture={
        <>
          <JobDial
            extra={at.extra}
            turnDeg={at.turnDeg}
            onPick={picking ? pick : undefined}
            className={stand.device ? 'lg:max-h-[520px]' : 'lg:max-h-[600px]'}
          />
          <StandRow
            stand={stand}
            on={balance.on}
            levelDeg={levelDeg}
            onFrom={(side) => at.setFrom(seenSide(side))}
            onTake={at.takeStand}
          />
        </>
      }
      lead={
        <>
          {lead}
          {busy && <span className="late"> · working it out …</span>}
        </>
      }
      now={words.now}
      why={words.why}
    >
      <div aria-busy={busy}>
        {doing === 'settle' && (
          <RestFields
            key={fieldKey}
            deg={picked}
            onPlace={setPicked}
            from={at.wantedFrom}
            onFrom={at.setFrom}
            onTake={at.takeRest}
            beside={beside}
          />
        )}
        {doing === 'level' && hand === 'level' && (
          <div className="mb-2">
            <PlaceField key={fieldKey} label="This was held level" deg={picked} onPlace={setPicked} />
          </div>
        )}
        {doing === 'level' && (
          <>
            <LevelButtons disabled={levelDeg === null} onMoved={level} />
            <div className="mt-2 flex flex-wrap gap-2">{beside}</div>
          </>
        )}
        {doing === 'swing' && (
          <SwingFields onTake={(periodS) => void put([{ kind: 'swing', data: { periodS } }])} beside={beside} />
        )}
        {doing === 'machine' && (
          <MachineFields
            placeKey={fieldKey}
            deg={picked}
            onPlace={setPicked}
            onTake={(data) => void put([{ kind: 'machine-reading', data }])}
            beside={beside}
          />
        )}
        {doing === 'weights' && draft && (
          <div className="grid gap-2">
            <PlaceField key={fieldKey} label="Place for the next piece" deg={picked} onPlace={setPicked} />
            <PieceShelf
              stock={stock}
              pieces={draft}
              deg={picked}
              sides={sides}
              sayPlace={place.clock}
              onPieces={setDraft}
            />
            <div className="flex flex-wrap gap-2">
              <Button go hotkey="N" onClick={go}>
                They stay on
              </Button>
              <Button onClick={() => void put([{ kind: 'trial', data: { pieces: draft } }])}>Only taped on</Button>
              {beside}
            </div>
          </div>
        )}
        {doing === 'put' && (
          <div className="flex flex-wrap items-center gap-2">
            <Button go hotkey="N" onClick={go}>
              {toPut.length === 0 ? 'Write it down' : toPut.length === 1 ? 'It is on' : 'They are on'}
            </Button>
            <Button onClick={() => byHand('weights')}>Other pieces</Button>
            {beside}
            {placed &&
              advice?.do === 'final' &&
              !placed.result.proved &&
              (search.runs ? (
                <Button small onClick={search.stop}>
                  Stop the search
                </Button>
              ) : (
                <Button small onClick={() => search.begin(advice)}>
                  Search on
                </Button>
              ))}
          </div>
        )}
        {doing === 'wait' && <div className="flex flex-wrap gap-2">{beside}</div>}
        {doing === 'done' && (
          <div className="flex flex-wrap gap-2">
            <Button go hotkey="N" onClick={go}>
              {balance.balanced ? 'On to the machine' : balance.trial ? 'It is on for good' : 'Write it down'}
            </Button>
            {beside}
          </div>
        )}
      </div>
      {oddId && doing !== 'weights' && doing !== 'machine' && (
        <p className="mt-2 font-semibold text-check" role="alert">
          One reading is the odd one: take it out.
        </p>
      )}
      {lastTime.hint && balance.seen.length === 0 && (
        <p className="mt-3 flex items-center gap-3">
          <span>
            Last time, {lastTime.hint.onDate}: {sayPieces(lastTime.pieces)}. Used as a hint.
          </span>
          <Button small onClick={lastTime.forget}>
            Not this time
          </Button>
        </p>
      )}
      {doing === 'done' && !hand ? (
        <BeforeAfter estimate={estimate} />
      ) : (
        doing !== 'weights' &&
        doing !== 'machine' && (
          <Figures
            estimate={estimate}
            placed={doing === 'put' && advice?.do === 'final' ? placed : null}
            on={balance.on.length > 0 && !balance.trial}
            toleranceG={toleranceG}
            rested={balance.seen.some((o) => o.kind === 'settle' || o.kind === 'level')}
            searching={search.runs}
          />
        )
      )}
      {doing !== 'weights' && doing !== 'machine' && <Tries oddId={oddId} />}
    </StationLayout>
  );
};
