import { createCipheriv } from 'node:crypto';
import sharp from 'sharp';

/** A picture of noise, another for each `mark`, of about so many bytes as a PNG. */
export const noisePicture = (mark: number, bytes: number): Promise<Buffer> => {
  const side = Math.max(1, Math.floor(Math.sqrt(bytes / 3)));
  const noise = createCipheriv('aes-256-ctr', Buffer.alloc(32, mark), Buffer.alloc(16));
  const raw = noise.update(Buffer.alloc(side * side * 3));
  return sharp(raw, { raw: { width: side, height: side, channels: 3 } })
    .png({ compressionLevel: 0 })
    .toBuffer();
};
