import { at, invariant } from '@/core/base';
import type { Millimetres } from '@/core/units';

/** Permanent name of a thing in the record. Never an index: it survives every edit. */
export type Id = string;

/** Where a figure comes from. */
export type Source = 'measured' | 'scaled' | 'maker' | 'usual' | 'estimated';

export const SOURCES: readonly Source[] = ['measured', 'scaled', 'maker', 'usual', 'estimated'];

export const SOURCE_WORDS: Readonly<Record<Source, string>> = {
  measured: 'measured on site',
  scaled: 'scaled off a drawing',
  maker: 'from the maker’s sheet',
  usual: 'a usual size',
  estimated: 'estimated',
};

/** How far off each source usually is, mm; a claim may say otherwise. */
export const USUAL_UNCERTAINTY_MM: Readonly<Record<Source, Millimetres>> = {
  measured: 3,
  scaled: 20,
  maker: 1,
  usual: 30,
  estimated: 100,
};

/** One statement of one size. */
export interface Claim {
  readonly id: Id;
  readonly mm: Millimetres;
  /** The text as typed, sums included. */
  readonly asTyped: string;
  readonly source: Source;
  /** Half-width of the range the true size is believed to lie in, mm. */
  readonly uncertaintyMm: Millimetres;
}

/** A size is all that was said about it, and which statement is in force. */
export interface Size {
  readonly id: Id;
  readonly claims: readonly Claim[];
  /** Id of the claim in force. */
  readonly inForce: Id;
}

/** The claim in force. */
export function claimOf(size: Size): Claim {
  const claim = size.claims.find((one) => one.id === size.inForce);
  invariant(claim, `size ${size.id} has its claim in force`);
  return claim;
}

/** The figure in force, mm. */
export const mmOf = (size: Size): Millimetres => claimOf(size).mm;

export type NewClaim = Omit<Claim, 'id'>;

/** A size with its first claim. */
export function newSize(id: Id, claim: NewClaim): Size {
  const claimId = `${id}/1`;
  return { id, claims: [{ id: claimId, ...claim }], inForce: claimId };
}

/** A size nobody has measured yet: an estimate with the uncertainty usual for one, written as the project writes its lengths. */
export const estimatedSize = (id: Id, mm: number, print: (mm: number) => string): Size =>
  newSize(id, { mm, asTyped: print(mm), source: 'estimated', uncertaintyMm: USUAL_UNCERTAINTY_MM.estimated });

/** Adds a claim and puts it in force; what was said before stays in the record. */
export function withClaim(size: Size, claim: NewClaim): Size {
  const latest = at(size.claims, size.claims.length - 1);
  // Typing the same figure again from the same source says nothing new.
  if (
    latest.id === size.inForce &&
    latest.mm === claim.mm &&
    latest.source === claim.source &&
    latest.asTyped === claim.asTyped
  )
    return size;
  const taken = new Set(size.claims.map((one) => one.id));
  let number = size.claims.length + 1;
  while (taken.has(`${size.id}/${number}`)) number += 1;
  const id = `${size.id}/${number}`;
  return { ...size, claims: [...size.claims, { id, ...claim }], inForce: id };
}
