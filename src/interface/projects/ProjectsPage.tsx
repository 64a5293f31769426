'use client';
import { type Thumbnail } from '@/core/pipeline';
import { useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';
import { dayAndTime } from '@/interface/words';
import { OnlyHere, type KeptOnlyHere } from './OnlyHere';

/** The first view, small; a plain sign where it is still to be drawn, or there is none and why. */
export type CardPicture =
  ({ readonly is: 'drawn' } & Thumbnail) | { readonly is: 'waiting' } | { readonly is: 'none'; readonly why: string };

export interface ProjectCardShown {
  readonly id: string;
  readonly name: string;
  /** Null where that cannot be read. */
  readonly savedAt: string | null;
  /** Number of the save that holds. */
  readonly current: number;
  /** Number of the save by which it last became another. */
  readonly changedIn: number;
  readonly picture: CardPicture;
  /** Why it cannot be opened. */
  readonly fault: string | null;
}

interface ProjectsPageProps {
  readonly projects: readonly ProjectCardShown[] | null;
  readonly problem: string | null;
  /** Refusal of the last import, kept until the next try. */
  readonly refusal: { readonly fileName: string; readonly message: string } | null;
  /** What came of the last backup that was brought in. */
  readonly told: string | null;
  readonly onlyHere: readonly KeptOnlyHere[];
  readonly takeEverything: () => void;
  readonly open: (id: string) => void;
  readonly take: (file: File) => void;
  readonly addRoom: () => void;
  readonly addPiece: () => void;
  readonly addDemos: () => void;
  readonly copy: (id: string) => void;
  readonly remove: (id: string) => void;
  /** Takes away what is kept as it lies there, readable or not. */
  readonly takeAway: (id: string) => void;
  /** Makes a project of the newest state that can be read. */
  readonly repair: (id: string) => void;
}

/** The plan chest: all projects kept in this browser. */
export function ProjectsPage({
  projects,
  problem,
  refusal,
  told,
  onlyHere,
  takeEverything,
  open,
  take,
  addRoom,
  addPiece,
  addDemos,
  copy,
  remove,
  takeAway,
  repair,
}: ProjectsPageProps) {
  const { look } = useLook();
  const input = useRef<HTMLInputElement>(null);
  return (
    <Box component="main" sx={{ maxWidth: 760, mx: 'auto', px: 3, py: 3.5 }}>
      <Box component="h1" sx={{ fontSize: 34, fontWeight: 500, m: 0 }}>
        Bathyskop
      </Box>
      <Box component="p" sx={{ fontSize: 18, mt: 0.5, mb: 2.5, maxWidth: 600, lineHeight: 1.45 }}>
        Type the walls, put in what stands there, choose where to stand. It sets out the sheet and tells you each
        stroke; you keep the pencil.
      </Box>
      {problem ? (
        <Box role="alert" sx={{ color: look.warning, mb: 2 }}>
          {problem}
        </Box>
      ) : null}
      <OnlyHere projects={onlyHere} takeEverything={takeEverything} />
      <Box sx={{ display: 'flex', gap: 2, mb: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button variant="contained" onClick={() => input.current?.click()}>
          Bring in a file
        </Button>
        <Button onClick={addRoom}>start with an empty room</Button>
        <Button onClick={addPiece}>start with a piece alone</Button>
        <Button onClick={addDemos}>take up the demonstration rooms</Button>
        {projects !== null && projects.length > 0 ? (
          <Button onClick={takeEverything}>everything as one file</Button>
        ) : null}
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="Project file"
          hidden
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) take(file);
          }}
        />
      </Box>
      {projects === null ? (
        <p>Opening the plan chest …</p>
      ) : projects.length === 0 ? (
        <Box>
          <p>
            The plan chest is empty. Take up the demonstration rooms, start with an empty room, or bring in a project
            file.
          </p>
        </Box>
      ) : (
        <Box
          component="ul"
          aria-label="Projects"
          sx={{ listStyle: 'none', p: 0, m: 0, borderTop: `1px solid ${look.graphite}` }}
        >
          {projects.map((one, i) => (
            <ProjectRow
              key={one.id}
              card={one}
              size={i === 0 && one.picture.is === 'drawn' ? LARGE : SMALL}
              {...{ open, copy, remove, takeAway, repair }}
            />
          ))}
        </Box>
      )}
      {told === null ? null : (
        <Box role="status" sx={{ mt: 3, p: 2, borderLeft: `3px solid ${look.ink}`, backgroundColor: look.sheet }}>
          {told}
        </Box>
      )}
      {refusal ? (
        <Box role="alert" sx={{ mt: 3, p: 2, borderLeft: `3px solid ${look.warning}`, backgroundColor: look.sheet }}>
          <strong>{refusal.fileName} was not brought in.</strong> {refusal.message} Nothing that is kept here was
          changed.
        </Box>
      ) : null}
    </Box>
  );
}

/** The last room that was worked on is shown large, the others small, px. */
const LARGE = { width: 712, height: 330 } as const;
const SMALL = { width: 132, height: 84 } as const;
type PictureSize = typeof LARGE | typeof SMALL;

type RowDoes = Pick<ProjectsPageProps, 'open' | 'copy' | 'remove' | 'takeAway' | 'repair'>;

/** One project with its picture; what is wrong with it is said on it, with what can be done. */
function ProjectRow({
  card,
  size,
  ...does
}: RowDoes & { readonly card: ProjectCardShown; readonly size: PictureSize }) {
  const { look } = useLook();
  const { id, name, savedAt, fault } = card;
  return (
    <Box component="li" data-project={id} sx={{ borderBottom: `1px solid ${look.rule}`, py: 0.75 }}>
      {size === LARGE ? <RoomPicture picture={card.picture} size={size} open={() => does.open(id)} /> : null}
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
        {size === LARGE ? null : <RoomPicture picture={card.picture} size={size} open={() => does.open(id)} />}
        <Button
          onClick={() => does.open(id)}
          sx={{
            fontSize: 20,
            flex: 1,
            minWidth: 0,
            justifyContent: 'flex-start',
            textAlign: 'left',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
          }}
        >
          {name}
        </Button>
        {savedAt === null ? null : (
          <Box sx={{ color: look.faint, fontSize: 14, whiteSpace: 'nowrap' }}>saved {dayAndTime(savedAt)}</Box>
        )}
        <RowButtons card={card} {...does} />
      </Box>
      {fault === null ? null : (
        <Box role="alert" sx={{ mt: 0.5, pl: 1, borderLeft: `2px solid ${look.warning}`, fontSize: 15 }}>
          {fault}
          <Button size="small" onClick={() => does.takeAway(id)} sx={{ ml: 1 }}>
            take away what is kept
          </Button>
          <Button size="small" onClick={() => does.repair(id)}>
            repair from its history
          </Button>
        </Box>
      )}
    </Box>
  );
}

function RoomPicture({
  picture,
  size: { width, height },
  open,
}: {
  readonly picture: CardPicture;
  readonly size: PictureSize;
  readonly open: () => void;
}) {
  const { look } = useLook();
  return (
    <Box
      sx={{
        width: '100%',
        maxWidth: width,
        height,
        flexShrink: 0,
        backgroundColor: look.sheet,
        border: `1px solid ${look.rule}`,
        cursor: 'pointer',
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
        fontSize: 13,
        color: look.faint,
      }}
      title={picture.is === 'none' ? picture.why : undefined}
      data-picture={picture.is}
      onClick={open}
    >
      {picture.is === 'drawn' ? (
        <svg
          aria-hidden="true"
          width="100%"
          height={height - 2}
          viewBox={`-4 -4 ${picture.width + 8} ${picture.height + 8}`}
        >
          <path d={picture.path} fill="none" stroke={look.graphite} strokeWidth={1} vectorEffect="non-scaling-stroke" />
        </svg>
      ) : picture.is === 'none' ? (
        'no picture'
      ) : null}
    </Box>
  );
}

/** Removing is asked twice. */
function RowButtons({ card: { id, name }, copy, remove }: RowDoes & { readonly card: ProjectCardShown }) {
  const [removing, setRemoving] = useState(false);
  return removing ? (
    <>
      <Button
        onClick={() => {
          setRemoving(false);
          remove(id);
        }}
        sx={{ color: 'error.main' }}
      >
        remove for good
      </Button>
      <Button onClick={() => setRemoving(false)}>keep</Button>
    </>
  ) : (
    <>
      <Button onClick={() => copy(id)} aria-label={`Copy ${name}`}>
        copy
      </Button>
      <Button onClick={() => setRemoving(true)} aria-label={`Remove ${name}`}>
        remove
      </Button>
    </>
  );
}
