export { LOOKS, LOOK_ORDER, type Look, type LookName } from './looks';
export { LookProvider, useLook } from './LookProvider';
export { TEXT_FACE, FIGURE_FACE } from './theme';
