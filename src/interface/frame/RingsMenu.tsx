'use client';
import { useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import { useLook } from '@/interface/theme';
import { useSession, type Ring } from '@/interface/session';

/** How many things are ringed on the drawing; opened, each with its message and what makes it go. */
export function RingsMenu({ rings }: { readonly rings: readonly Ring[] }) {
  const { commands, readOnly } = useSession();
  const { look } = useLook();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  if (rings.length === 0) return <Box sx={{ color: look.faint, whiteSpace: 'nowrap' }}>nothing ringed</Box>;
  return (
    <>
      <Button
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-haspopup="menu"
        sx={{ color: 'error.main', whiteSpace: 'nowrap' }}
      >
        {rings.length} {rings.length === 1 ? 'pencil ring' : 'pencil rings'} on the drawing
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <Box component="li" sx={{ listStyle: 'none', px: 2, py: 0.5 }} tabIndex={-1}>
          <Box component="ul" sx={{ maxWidth: 520, pl: 2, m: 0, fontSize: 15, '& li': { mb: 0.75 } }}>
            {rings.map((ring, index) => (
              <li key={`${ring.kind}-${ring.about}-${index}`} data-contradiction={ring.kind}>
                {ring.message}
                {(readOnly ? [] : ring.remedies).map((remedy) => (
                  <Button
                    key={remedy.label}
                    size="small"
                    sx={{ color: 'secondary.main', display: 'block', py: 0.25 }}
                    onClick={() => {
                      setAnchor(null);
                      commands.change(remedy.label, remedy.change);
                    }}
                  >
                    {remedy.label}
                  </Button>
                ))}
              </li>
            ))}
          </Box>
        </Box>
      </Menu>
    </>
  );
}
