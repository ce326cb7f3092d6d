import { Camera } from 'lucide-react';
import { refusalText } from '../../core/errors';
import { useRef, useState } from 'react';
import type { Inspected } from '../../core/inspect';
import type { StationId } from '../../core/job';
import { Button } from '../parts/Button';
import { smallPicture } from '../parts/small-picture';
import { useJob } from '../parts/job-context';
import { api, ApiError } from '../store/api';

const AT_THE_MACHINE: readonly StationId[] = ['wheel-off', 'wheel-back'];

/** Photographs of a part, or without one of how all sat at the machine; and a button to take one more. */
export const Photos = ({ part, name }: { part: Inspected | null; name: string }) => {
  const { state, write } = useJob();
  const picker = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const mine = state.photos.filter((p) => p.part === part && (part !== null || AT_THE_MACHINE.includes(p.station)));
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setProblem(null);
    try {
      const { photoId } = await api.addPhoto(await smallPicture(file));
      await write([{ kind: 'photo', data: { photoId, part, says: '' } }], 'The photograph is kept.');
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
    } finally {
      setBusy(false);
      if (picker.current) picker.current.value = '';
    }
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      {mine.map((p, i) => (
        <a
          key={p.entryId}
          href={`/api/photos/${p.photoId}`}
          target="_blank"
          rel="noreferrer"
          className="block h-[68px] w-[92px] overflow-hidden rounded-[10px_10px_10px_3px] border-2 border-ink"
        >
          <img
            src={`/api/photos/${p.photoId}`}
            alt={`${name}, photograph ${i + 1}`}
            loading="lazy"
            className="h-full w-full object-cover"
          />
        </a>
      ))}
      <input
        ref={picker}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        className="hidden"
        aria-label={`Photograph file: ${name}`}
        onChange={(e) => void take(e.target.files?.[0])}
      />
      <Button small disabled={busy} aria-label={`Photograph: ${name}`} onClick={() => picker.current?.click()}>
        <Camera size={18} aria-hidden="true" />
        {busy ? 'Keeping it' : 'Photograph'}
      </Button>
      {problem && (
        <p role="alert" className="text-stop">
          {problem}
        </p>
      )}
    </div>
  );
};
