import { Button } from '../../parts/Button';

/** Ends a round: with what was reached, or as it stands. */
export const EndButton = ({ isOver, onEnd }: { isOver: boolean; onEnd: () => void }) => (
  <Button go={isOver} hotkey="N" className="justify-self-start" onClick={onEnd}>
    {isOver ? 'Results' : 'Stop here'}
  </Button>
);
