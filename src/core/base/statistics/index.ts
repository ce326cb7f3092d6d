/** Statistics: a straight line through readings and how sure its slope is; chance by seed. */
export { seeded } from './seeded';
export { fitLine } from './line-fit';
