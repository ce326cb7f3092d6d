import type { Settle } from '../../../core/bench/balance';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { PlaceField } from '../../shared/place';
import type { BalanceFormProps } from './balance-form-props';

const FROM = [
  ['left', 'the left'],
  ['right', 'the right'],
  ['', 'not known'],
] as const;

/** A rest: which place came to the bottom, and from which side it was let go. */
export const RestFields = ({ hand, from, onGo, readingRef, beside }: BalanceFormProps) => (
  <form
    className="grid gap-2"
    onSubmit={(e) => {
      e.preventDefault();
      onGo();
    }}
  >
    <div className="grid grid-cols-[1fr_130px] gap-3">
      <PlaceField
        key={hand.fieldKey}
        inputRef={readingRef}
        label="Place at the bottom"
        deg={hand.deg}
        onPlace={(deg) => hand.change({ deg })}
      />
      <ChoiceField
        label="Released from"
        value={from ?? ''}
        onChange={(v) => hand.change({ from: (v || null) as Settle['from'] })}
        options={FROM}
      />
    </div>
    <div className="flex flex-wrap gap-2">
      <Button go type="submit" hotkey="N" disabled={hand.deg === null}>
        Use reading
      </Button>
      {beside}
    </div>
  </form>
);
