/** Devices: instruments that speak in lines of text, and the physics of their stand-ins. */
export type { Device, DeviceNow } from './device';
export { DEVICE_KINDS, isSteady, readLine, SILENT_AFTER_MS, type DeviceKind, type DeviceLine } from './line';
export { followMm, rimAtMm, type Axis, type RimShape } from './rim-on-stand';
