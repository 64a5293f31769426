'use client';
import { memo, useEffect, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover, { type PopoverActions } from '@mui/material/Popover';
import { LONGEST_TEXT } from '@/core/record';
import { useLook } from '@/interface/theme';
import { useSurroundings, type Ring, type Rings } from '@/interface/session';

const counted = ({ open, aside }: Rings): string => {
  const laid = aside.length > 0 ? `, ${aside.length} laid aside` : '';
  if (open.length === 0) return `nothing ringed${laid}`;
  return `${open.length} ${open.length === 1 ? 'pencil ring' : 'pencil rings'} on the drawing${laid}`;
};

/** How many things are ringed on the drawing; opened, each with its message, what makes it go, and those laid aside with their reasons. */
export const RingsMenu = memo(function RingsMenu({ rings }: { readonly rings: Rings }) {
  const { commands, readOnly } = useSurroundings();
  const { look } = useLook();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const place = useRef<PopoverActions>(null);
  const { open, aside } = rings;
  if (open.length + aside.length === 0)
    return <Box sx={{ color: look.faint, whiteSpace: 'nowrap' }}>nothing ringed</Box>;
  return (
    <>
      <Button
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        sx={{ color: open.length > 0 ? 'error.main' : look.faint, whiteSpace: 'nowrap' }}
      >
        {counted(rings)}
      </Button>
      <Popover
        action={place}
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'top', horizontal: 'right' }}
        transformOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Pencil rings' } }}
      >
        <Box ref={list} tabIndex={-1} sx={{ px: 2, py: 1, maxWidth: 560, fontSize: 15, outline: 'none' }}>
          <Box component="ul" sx={{ pl: 2, m: 0, '& li': { mb: 0.75 } }}>
            {open.map((ring, index) => (
              <RingWords
                key={`${ring.kind}-${ring.about}-${index}`}
                ring={ring}
                done={() => setAnchor(null)}
                laid={() => list.current?.focus()}
                grown={() => place.current?.updatePosition()}
              />
            ))}
          </Box>
          {aside.length > 0 ? (
            <Box component="ul" aria-label="Laid aside" sx={{ pl: 2, m: 0, color: look.faint, '& li': { mb: 0.75 } }}>
              {aside.map(({ ring, laid }) => (
                <li key={laid.id} data-laid-aside={ring.kind}>
                  {ring.message} Laid aside: {laid.reason}
                  {readOnly ? null : (
                    <Button
                      size="small"
                      sx={{ color: 'secondary.main', display: 'block', py: 0.25 }}
                      onClick={() => commands.change('Ring it again', { kind: 'ring-again', id: laid.id })}
                    >
                      Ring it again
                    </Button>
                  )}
                </li>
              ))}
            </Box>
          ) : null}
        </Box>
      </Popover>
    </>
  );
});

/** One ring: what is the matter, the ways out, and a way to let it be. */
function RingWords({
  ring,
  done,
  laid,
  grown,
}: {
  readonly ring: Rings['open'][number];
  readonly done: () => void;
  /** What was typed into is gone: the keys go on to the list. */
  readonly laid: () => void;
  /** It is higher or lower than it was. */
  readonly grown: () => void;
}) {
  const { commands, readOnly } = useSurroundings();
  const { look } = useLook();
  const [laying, setLaying] = useState(false);
  // Only what changes its height matters here.
  const tell = useRef(grown);
  useEffect(() => tell.current(), [laying]);
  return (
    <li data-contradiction={ring.kind}>
      {ring.message}
      {ring.before === null ? null : (
        <Box component="span" sx={{ color: look.faint }}>
          {' '}
          It was laid aside when its figures were others: {ring.before}
        </Box>
      )}
      {(readOnly ? [] : ring.remedies).map((remedy) => (
        <Button
          key={remedy.label}
          size="small"
          sx={{ color: 'secondary.main', display: 'block', py: 0.25 }}
          onClick={() => {
            done();
            commands.change(remedy.label, remedy.change);
          }}
        >
          {remedy.label}
        </Button>
      ))}
      {readOnly ? null : laying ? (
        <LayAside
          ring={ring}
          done={() => {
            setLaying(false);
            laid();
          }}
        />
      ) : (
        <Button size="small" sx={{ color: look.faint, display: 'block', py: 0.25 }} onClick={() => setLaying(true)}>
          Let it be …
        </Button>
      )}
    </li>
  );
}

/** Why a ring may be laid aside: it stays so while nothing of the matter changes. */
function LayAside({ ring, done }: { readonly ring: Ring; readonly done: () => void }) {
  const { commands } = useSurroundings();
  const { look } = useLook();
  const [reason, setReason] = useState('');
  const lay = (): void => {
    commands.change('Lay a ring aside', { kind: 'lay-aside', ring: ring.told, reason });
    done();
  };
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 1, alignItems: 'baseline', my: 0.5 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() !== '') lay();
      }}
    >
      <Box
        component="input"
        aria-label="Why it may be laid aside"
        placeholder="because …"
        autoFocus
        maxLength={LONGEST_TEXT}
        value={reason}
        onChange={(event) => setReason((event.target as HTMLInputElement).value)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          // Escape gives up the reason, not the rings.
          event.stopPropagation();
          done();
        }}
        sx={{
          ...{ font: 'inherit', color: look.ink, flex: 1, minWidth: 220, background: 'transparent' },
          ...{ border: 0, borderBottom: `1.5px dotted ${look.ink}` },
        }}
      />
      <Button type="submit" size="small" disabled={reason.trim() === ''} sx={{ whiteSpace: 'nowrap' }}>
        Lay it aside
      </Button>
    </Box>
  );
}
