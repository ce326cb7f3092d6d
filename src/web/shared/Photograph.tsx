import { useEffect, useState } from 'react';
import { pictureOf } from '../store/outbox-store';
import { parcelOfPhoto } from '../store/pending-entries';

const FRAME = 'block h-[68px] w-[92px] overflow-hidden rounded-[10px_10px_10px_3px] border-2';

/** The browser's copy of a photograph that has not reached the server; null until it is found. */
const useWaitingPicture = (parcelId: string | null): string | null => {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    if (parcelId === null) return;
    let made: string | null = null;
    let isGone = false;
    void pictureOf(parcelId).then((picture) => {
      if (!picture || isGone) return;
      made = URL.createObjectURL(picture);
      setUrl(made);
    });
    return () => {
      isGone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [parcelId]);
  return url;
};

/**
 * A photograph, small; a tap shows it whole. One that has not reached the server yet shows as
 * waiting.
 */
export const Photograph = ({ photoId, label }: { photoId: string; label: string }) => {
  const parcelId = parcelOfPhoto(photoId);
  const waiting = useWaitingPicture(parcelId);
  if (parcelId !== null)
    return (
      <span className={`${FRAME} relative border-check`}>
        {waiting && (
          <img src={waiting} alt={`${label}, unsent`} className="h-full w-full object-cover" />
        )}
        <span className="absolute inset-x-0 bottom-0 bg-paper text-center text-[13px] font-semibold">
          unsent
        </span>
      </span>
    );
  const at = `/api/photos/${photoId}`;
  return (
    <a href={at} target="_blank" rel="noreferrer" className={`${FRAME} border-ink`}>
      <img src={at} alt={label} loading="lazy" className="h-full w-full object-cover" />
    </a>
  );
};
