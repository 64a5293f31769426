'use client';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import type { FoundStation } from '@/core/pipeline';
import { footprintOf, type Id, type Project, type View } from '@/core/record';
import { roomAround, roomMeant, seenIn } from '@/core/view';
import { Sentence } from '@/interface/frame';
import { useServices } from '@/interface/services';
import { useSession } from '@/interface/session';
import { inShort } from './found-words';

/** Places tried for a first stand: a second's work, not a search one has asked for. */
const TRIED = 1200;
/** What a first stand must show: the largest things, so many of them. */
const MOST_MARKED = 8;
/** The record lies still for so long, ms, before one is looked for. */
const STILL_MS = 700;

/** What a first stand must show: the largest pieces of the room one looks into. */
function toBeSeen(project: Project, view: View): readonly Id[] {
  const own = roomMeant(project, view);
  return seenIn(project, view)
    .pieces.flatMap((piece) => {
      const footprint = footprintOf(project, piece);
      if (!footprint.ok || !own) return [];
      const { corners, width, depth } = footprint.value;
      return roomAround(project, view, corners['back-left'])?.id === own.id
        ? [{ id: piece.id, size: width * depth }]
        : [];
    })
    .sort((a, b) => b.size - a.size)
    .slice(0, MOST_MARKED)
    .map(({ id }) => id);
}

/**
 * A first place to stand, as long as one stands by rule: looked for by itself for what stands in the room, and offered where it is better than the rule's by
 * the finder's own measure. Nothing moves until it is taken.
 */
export function FirstStand() {
  const { project, view, commands, readOnly } = useSession();
  const { find } = useServices();
  const [found, setFound] = useState<{ readonly of: Project; readonly best: FoundStation } | null>(null);
  const asks = view.standsBy === 'rule' && !readOnly;
  useEffect(() => {
    const marked = asks ? toBeSeen(project, view) : [];
    if (!find || marked.length === 0) return;
    let left = false;
    const wait = setTimeout(() => {
      const asked = { viewId: view.id, marked, seed: 1, candidates: TRIED };
      void find
        .find({ project, asked }, () => {})
        .then((reply) => {
          if (left || reply?.kind !== 'found') return;
          const [best] = reply.stations.found;
          if (best && best.score > (reply.stations.now ?? 0)) setFound({ of: project, best });
        });
    }, STILL_MS);
    return () => {
      left = true;
      clearTimeout(wait);
    };
  }, [asks, find, project, view]);
  if (!asks || found?.of !== project) return null;
  const { best } = found;
  return (
    <Sentence>
      <span data-testid="first-stand">A better first place was found for what stands here: {inShort(best)}. </span>
      <Button
        size="small"
        sx={{ color: 'secondary.main', py: 0.25 }}
        onClick={() =>
          commands.change('Stand at a found place', { kind: 'change-view', viewId: view.id, fields: best.change })
        }
      >
        stand there
      </Button>
    </Sentence>
  );
}
