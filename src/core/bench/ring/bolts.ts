import { INCH_IN_MM } from '../../base/units';
import type { BoltName, GradeName } from '../../fit/wheels';

/** A bolt that rings are held with. */
interface BoltSize {
  diameterMm: number;
  pitchMm: number;
  /** Tensile stress area. Basis: memory, of ASME B1.1 and ISO 898-1. */
  stressMm2: number;
  thread: 'inch' | 'metric';
}

const inch = (sixteenths: number, threads: number, stressMm2: number): BoltSize => ({
  diameterMm: (sixteenths / 16) * INCH_IN_MM,
  pitchMm: INCH_IN_MM / threads,
  stressMm2,
  thread: 'inch',
});
const metric = (diameterMm: number, pitchMm: number, stressMm2: number): BoltSize => ({
  diameterMm,
  pitchMm,
  stressMm2,
  thread: 'metric',
});

/** Sizes of ring bolts. Coarse threads. */
export const BOLTS: Readonly<Record<BoltName, BoltSize>> = {
  '1/4-20': inch(4, 20, 20.5),
  '5/16-18': inch(5, 18, 33.8),
  '3/8-16': inch(6, 16, 50),
  M6: metric(6, 1, 20.1),
  M8: metric(8, 1.25, 36.6),
  M10: metric(10, 1.5, 58),
};

const KSI_IN_MPA = 6.894757;

/** Proof strength by grade or class. Source: SAE J429; ISO 898-1, up to M16. */
export const GRADES: Readonly<
  Record<GradeName, { proofMpa: number; thread: BoltSize['thread']; from: string }>
> = {
  '5': { proofMpa: 85 * KSI_IN_MPA, thread: 'inch', from: 'SAE J429, grade 5: 85 ksi' },
  '8': { proofMpa: 120 * KSI_IN_MPA, thread: 'inch', from: 'SAE J429, grade 8: 120 ksi' },
  '8.8': { proofMpa: 580, thread: 'metric', from: 'ISO 898-1, class 8.8: 580 MPa' },
  '10.9': { proofMpa: 830, thread: 'metric', from: 'ISO 898-1, class 10.9: 830 MPa' },
};
