import type { View } from '@/core/record';

/** What a command makes of a view: the fields it changes. */
export type ViewChange = Partial<Omit<View, 'id'>>;
