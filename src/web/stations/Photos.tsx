import { Camera } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Inspected } from '../../core/bench/inspect';
import { MACHINE_STATIONS } from '../../core/base/stations';
import { Button } from '../parts/Button';
import { smallPicture } from '../parts/small-picture';
import { Photograph } from '../shared/Photograph';
import { useApp } from '../store';
import { useJob } from '../shared/job-context';

/**
 * Photographs of a part, or without one of how all sat at the machine; and a button to take one
 * more.
 */
export const Photos = ({ part, name }: { part: Inspected | null; name: string }) => {
  const { state, write } = useJob();
  const picker = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [isRefused, setRefused] = useState(false);
  const said = useApp((s) => s.jobs.announcement);
  const mine = state.photos.filter(
    (p) => p.part === part && (part !== null || MACHINE_STATIONS.includes(p.station)),
  );
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setRefused(false);
    try {
      const small = await smallPicture(file);
      const entry = { kind: 'photo', data: { photoId: '', part, says: '' } } as const;
      setRefused(!(await write([entry], 'Photo saved.', small)));
    } finally {
      setBusy(false);
      if (picker.current) picker.current.value = '';
    }
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      {mine.map((p, i) => (
        <Photograph key={p.entryId} photoId={p.photoId} label={`${name}, photo ${i + 1}`} />
      ))}
      <input
        ref={picker}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        className="hidden"
        aria-label={`Photo file: ${name}`}
        onChange={(e) => void take(e.target.files?.[0])}
      />
      <Button
        small
        disabled={busy}
        aria-label={`Photo: ${name}`}
        onClick={() => picker.current?.click()}
      >
        <Camera size={18} aria-hidden="true" />
        {busy ? 'Saving' : 'Photo'}
      </Button>
      {isRefused && said?.tone === 'stop' && (
        <p role="alert" className="text-stop">
          {said.text}
        </p>
      )}
    </div>
  );
};
