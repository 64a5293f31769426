'use client';
import { type Thumbnail } from '@/core/pipeline';
import { useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';

export interface ProjectCardShown {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  /** Its first view, small; null while it is worked out or where it cannot be drawn. */
  readonly picture: Thumbnail | null;
}

interface ProjectsPageProps {
  readonly projects: readonly ProjectCardShown[] | null;
  readonly problem: string | null;
  /** Refusal of the last import, kept until the next try. */
  readonly refusal: { readonly fileName: string; readonly message: string } | null;
  readonly open: (id: string) => void;
  readonly take: (file: File) => void;
  readonly addRoom: () => void;
  readonly addDemos: () => void;
  readonly copy: (id: string) => void;
  readonly remove: (id: string) => void;
}

const when = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(
    new Date(iso),
  );

/** The plan chest: all projects kept in this browser. */
export function ProjectsPage({
  projects,
  problem,
  refusal,
  open,
  take,
  addRoom,
  addDemos,
  copy,
  remove,
}: ProjectsPageProps) {
  const { look } = useLook();
  const input = useRef<HTMLInputElement>(null);
  return (
    <Box component="main" sx={{ maxWidth: 760, mx: 'auto', px: 3, py: 6 }}>
      <Box component="h1" sx={{ fontSize: 34, fontWeight: 500, m: 0 }}>
        Bathyskop
      </Box>
      <Box component="p" sx={{ fontSize: 18, mt: 0.5, mb: 4, maxWidth: 560, lineHeight: 1.45 }}>
        From measured plans to perspectives that are right, drawn by your own hand. It measures, sets out, orders and
        checks; you keep the pencil.
      </Box>
      {problem ? (
        <Box role="alert" sx={{ color: look.warning, mb: 2 }}>
          {problem}
        </Box>
      ) : null}
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
          {projects.map((one) => (
            <ProjectRow key={one.id} card={one} open={open} copy={copy} remove={remove} />
          ))}
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 2, mt: 3, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button variant="contained" onClick={() => input.current?.click()}>
          Bring in a project file
        </Button>
        <Button onClick={addRoom}>start with an empty room</Button>
        <Button onClick={addDemos}>take up the demonstration rooms</Button>
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
      {refusal ? (
        <Box role="alert" sx={{ mt: 3, p: 2, borderLeft: `3px solid ${look.warning}`, backgroundColor: look.sheet }}>
          <strong>{refusal.fileName} was not brought in.</strong> {refusal.message} Nothing that is kept here was
          changed.
        </Box>
      ) : null}
    </Box>
  );
}

/** One project with its small picture; removing it is asked twice. */
function ProjectRow({
  card,
  open,
  copy,
  remove,
}: Pick<ProjectsPageProps, 'open' | 'copy' | 'remove'> & { readonly card: ProjectCardShown }) {
  const { look } = useLook();
  const [removing, setRemoving] = useState(false);
  return (
    <Box
      component="li"
      data-project={card.id}
      sx={{ display: 'flex', alignItems: 'center', gap: 1.5, borderBottom: `1px solid ${look.rule}`, py: 0.75 }}
    >
      <Box
        sx={{
          width: 132,
          height: 84,
          flexShrink: 0,
          backgroundColor: look.sheet,
          border: `1px solid ${look.rule}`,
          cursor: 'pointer',
        }}
        onClick={() => open(card.id)}
      >
        {card.picture ? (
          <svg
            aria-hidden="true"
            width="130"
            height="82"
            viewBox={`-4 -4 ${card.picture.width + 8} ${card.picture.height + 8}`}
          >
            <path
              d={card.picture.path}
              fill="none"
              stroke={look.graphite}
              strokeWidth={1}
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        ) : null}
      </Box>
      <Button
        onClick={() => open(card.id)}
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
        {card.name}
      </Button>
      <Box sx={{ color: look.faint, fontSize: 14, whiteSpace: 'nowrap' }}>saved {when(card.savedAt)}</Box>
      {removing ? (
        <>
          <Button
            onClick={() => {
              setRemoving(false);
              remove(card.id);
            }}
            sx={{ color: 'error.main' }}
          >
            remove for good
          </Button>
          <Button onClick={() => setRemoving(false)}>keep</Button>
        </>
      ) : (
        <>
          <Button onClick={() => copy(card.id)} aria-label={`Copy ${card.name}`}>
            copy
          </Button>
          <Button onClick={() => setRemoving(true)} aria-label={`Remove ${card.name}`}>
            remove
          </Button>
        </>
      )}
    </Box>
  );
}
