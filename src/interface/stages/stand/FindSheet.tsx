'use client';
import { type FoundStation, type FoundStations, type HeldTo } from '@/core/pipeline';
import { useEffect, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { type Id } from '@/core/record';
import { formatLength } from '@/core/units';
import { seenIn } from '@/core/view';
import { Choice } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import type { Sheet } from '@/interface/frame';
import { inShort } from './found-words';

interface FindSheetProps {
  readonly close: () => void;
}

type Search =
  | { readonly kind: 'still' }
  | { readonly kind: 'looking'; readonly done: number }
  | { readonly kind: 'found'; readonly stations: FoundStations; readonly seed: number }
  | { readonly kind: 'failed'; readonly detail: string };

/** Places to stand from which what is marked is seen: looked for, shown small with their reasons, taken by one press. */
function FindSheet({ close }: FindSheetProps) {
  const { chosen } = useSession();
  const { search, begin, giveUp } = useSearch();
  const [marked, setMarked] = useState<readonly Id[]>(chosen === null ? [] : [chosen]);
  const [heldTo, setHeldTo] = useState<HeldTo>('either');
  return (
    <PaperSheet label="Find a place to stand" title="Find a place to stand" high="66%" close={close}>
      <Box component="p" sx={{ mt: 0, mb: 0.5 }}>
        What must be seen? Mark it; places are then looked for that show it within the cone, little hidden, with points
        the board can hold.
      </Box>
      <ThingsToSee marked={marked} setMarked={setMarked} looking={search.kind === 'looking'} />
      <HeldToWords heldTo={heldTo} setHeldTo={setHeldTo} looking={search.kind === 'looking'} />
      <SearchRow search={search} begin={() => begin(marked, heldTo)} giveUp={giveUp} wanted={marked.length} />
      {search.kind === 'found' && search.stations.found.length > 0 ? (
        <FoundPlaces key={search.seed} found={search.stations.found} />
      ) : null}
    </PaperSheet>
  );
}

/** Looking for places, away from the screen's thread; given up with the sheet. */
function useSearch(): {
  readonly search: Search;
  readonly begin: (marked: readonly Id[], heldTo: HeldTo) => void;
  readonly giveUp: () => void;
} {
  const { project, view } = useSession();
  const { find } = useServices();
  const [search, setSearch] = useState<Search>({ kind: 'still' });
  const seed = useRef(1);
  useEffect(() => () => find?.cancel(), [find]);
  const begin = (marked: readonly Id[], heldTo: HeldTo): void => {
    if (!find) return;
    const used = seed.current;
    seed.current += 1;
    setSearch({ kind: 'looking', done: 0 });
    void find
      .find({ project, asked: { viewId: view.id, marked, heldTo, seed: used } }, (done) =>
        setSearch((now) => (now.kind === 'looking' ? { kind: 'looking', done } : now)),
      )
      .then((reply) => {
        if (reply === null) setSearch({ kind: 'still' });
        else if (reply.kind === 'failed') setSearch(reply);
        else setSearch({ kind: 'found', stations: reply.stations, seed: used });
      });
  };
  return { search, begin, giveUp: () => find?.cancel() };
}

const HELD_TO: readonly (readonly [HeldTo, string])[] = [
  ['either', 'square on or turned'],
  ['one-point', 'square on, one point'],
  ['two-point', 'turned, two points'],
];

/** Whether the room is to be looked at square on, or turned. */
function HeldToWords({
  heldTo,
  setHeldTo,
  looking,
}: {
  readonly heldTo: HeldTo;
  readonly setHeldTo: (to: HeldTo) => void;
  readonly looking: boolean;
}) {
  return (
    <Box component="p" sx={{ m: 0, mb: 1 }}>
      The room may lie{' '}
      <Choice
        label="How the room is to lie"
        value={heldTo}
        disabled={looking}
        options={HELD_TO.map(([value, words]) => ({ value, words }))}
        onChange={setHeldTo}
      />
      .
    </Box>
  );
}

/** What must be seen: marked one by one. */
function ThingsToSee({
  marked,
  setMarked,
  looking,
}: {
  readonly marked: readonly Id[];
  readonly setMarked: (marked: readonly Id[]) => void;
  readonly looking: boolean;
}) {
  const { project, view } = useSession();
  const { look } = useLook();
  const seen = seenIn(project, view);
  const things = [...seen.pieces, ...seen.openings];
  const toggle = (id: Id): void =>
    setMarked(marked.includes(id) ? marked.filter((one) => one !== id) : [...marked, id]);
  return (
    <Box role="group" aria-label="What must be seen" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, mb: 1 }}>
      {things.map((thing) => {
        const on = marked.includes(thing.id);
        return (
          <Button
            key={thing.id}
            size="small"
            aria-pressed={on}
            disabled={looking}
            onClick={() => toggle(thing.id)}
            sx={{
              color: on ? look.ink : look.text,
              fontWeight: on ? 500 : 400,
              textDecoration: on ? 'underline' : 'none',
              textUnderlineOffset: 4,
              textDecorationThickness: 2,
            }}
          >
            {on ? '✓ ' : ''}
            {thing.name}
          </Button>
        );
      })}
    </Box>
  );
}

/** How far the search has come, and what came of it. */
function SearchRow({
  search,
  begin,
  giveUp,
  wanted,
}: {
  readonly search: Search;
  readonly begin: () => void;
  readonly giveUp: () => void;
  /** How many things must be seen. */
  readonly wanted: number;
}) {
  const { readOnly } = useSession();
  const { find } = useServices();
  const { look } = useLook();
  const found = search.kind === 'found' ? search.stations.found : [];
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1 }} aria-live="polite">
      {search.kind === 'looking' ? (
        <>
          <span>
            {search.done < 0.5 ? 'Trying thousands of places roughly' : 'Drawing the best of them exactly'}:{' '}
            {Math.round(search.done * 100)} %
          </span>
          <Button onClick={giveUp}>give it up</Button>
        </>
      ) : (
        <Button variant="contained" disabled={!find || wanted === 0 || readOnly} onClick={begin} sx={{ py: 0.25 }}>
          {found.length > 0 ? 'Look for others' : 'Look for places'}
        </Button>
      )}
      {search.kind === 'failed' ? (
        <Box component="span" sx={{ color: look.warning }}>
          The search failed: {search.detail}
        </Box>
      ) : null}
      {search.kind === 'found' ? (
        <span>
          {found.length === 0
            ? 'No place shows what is marked within this frame. Mark less, or make the frame larger.'
            : `${search.stations.tried.toLocaleString('en').replace(',', ' ')} places tried, ${search.stations.exact} drawn exactly. The best ${found.length}; taking one can be undone.`}
        </span>
      ) : null}
      {wanted === 0 && search.kind !== 'looking' ? <span>Nothing is marked yet.</span> : null}
    </Box>
  );
}

/** Found places, small, with their reasons; one is taken by one press. */
function FoundPlaces({ found }: { readonly found: readonly FoundStation[] }) {
  const { view, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const [pointed, setPointed] = useState(0);
  const take = (one: FoundStation): void =>
    commands.change('Stand at a found place', { kind: 'change-view', viewId: view.id, fields: one.change });
  const { left, right, bottom, top } = view.frame;
  const shown = found[Math.min(pointed, found.length - 1)];
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(6, minmax(120px, 1fr))',
          gap: 1.5,
          overflowX: 'auto',
          p: '2px',
        }}
      >
        {found.map((one, i) => (
          <Box
            key={i}
            component="button"
            data-found={i}
            disabled={readOnly}
            onClick={() => take(one)}
            onPointerEnter={() => setPointed(i)}
            onFocus={() => setPointed(i)}
            aria-label={`Stand there: ${inShort(one)}`}
            sx={{
              all: 'unset',
              cursor: readOnly ? 'default' : 'pointer',
              display: 'block',
              outline: pointed === i ? `2px solid ${look.ink}` : `1px solid ${look.rule}`,
              '&:focus-visible': { outline: `3px solid ${look.ink}` },
              backgroundColor: look.sheet,
              fontSize: 13,
            }}
          >
            <svg
              viewBox={`0 0 ${right - left} ${top - bottom}`}
              style={{ width: '100%', display: 'block', borderBottom: `1px solid ${look.rule}` }}
              aria-hidden="true"
            >
              <path d={one.path} fill="none" stroke={look.graphite} strokeWidth={(right - left) / 260} />
            </svg>
            <Box component="span" sx={{ display: 'block', p: '3px 6px', lineHeight: 1.35 }}>
              {inShort(one)}
            </Box>
          </Box>
        ))}
      </Box>
      {shown ? (
        <Box component="p" data-testid="found-reasons" sx={{ mt: 1, mb: 0, lineHeight: 1.45 }}>
          Eye {formatLength(shown.change.eyeHeight?.mm ?? view.eyeHeight.mm, style)} above the floor.{' '}
          {shown.reasons.join(' ')}
        </Box>
      ) : null}
    </>
  );
}

export const find: Sheet<unknown> = {
  button: null,
  inMargin: 'find a place to stand',
  key: { keys: 'n', shown: 'N', does: 'find a place to stand' },
  changes: true,
  Dialog: FindSheet,
};
