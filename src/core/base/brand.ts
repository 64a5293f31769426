declare const brand: unique symbol;
/** A type that cannot be mistaken for another of the same shape. */
export type Brand<T, Name extends string> = T & { readonly [brand]: Name };
