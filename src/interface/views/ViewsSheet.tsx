'use client';
import { useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { freshId, type Id, type View } from '@/core/record';
import { PaperSheet } from '@/interface/paper';
import { useSession } from '@/interface/session';
import { ViewCard } from './ViewCard';

/** A name that no other view has: “From the door, another”. */
function freeName(views: readonly View[], stem: string): string {
  const taken = new Set(views.map((view) => view.name));
  if (!taken.has(stem)) return stem;
  let n = 2;
  while (taken.has(`${stem} ${n}`)) n += 1;
  return `${stem} ${n}`;
}

/** Every view of the project with its picture, its figures and what is to be said against it: copied, named, put in order, and two beside each other. */
export function ViewsSheet({ close }: { readonly close: () => void }) {
  const { project, view: here, commands, readOnly } = useSession();
  const { views } = project;
  const viewId = here.id;
  const [beside, setBeside] = useState<Id | null>(null);
  const other = views.find((view) => view.id === beside && view.id !== viewId);
  const copy = (view: View): void => {
    const id = freshId(
      view.id,
      views.map((one) => one.id),
    );
    const name = freeName(views, `${view.name}, another`);
    commands.change(`Copy ${view.name}`, { kind: 'copy-view', viewId: view.id, id, name });
    commands.chooseView(id);
  };
  if (other)
    return (
      <PaperSheet label="Two views" title={`${here.name} beside ${other.name}`} high="92%" close={close}>
        <Box sx={{ display: 'flex', gap: 3, flexWrap: 'wrap' }}>
          {[here, other].map((view) => (
            <Box key={view.id} sx={{ flex: '1 1 400px', minWidth: 0 }}>
              <ViewCard view={view} width={430} says="all" />
              {view.id === viewId ? (
                <Box component="p" sx={{ m: 0, fontSize: 14 }}>
                  This is where you stand now.
                </Box>
              ) : (
                <Button sx={{ color: 'secondary.main' }} onClick={() => commands.chooseView(view.id)}>
                  stand here
                </Button>
              )}
            </Box>
          ))}
        </Box>
        <Button onClick={() => setBeside(null)}>back to all views</Button>
      </PaperSheet>
    );
  return (
    <PaperSheet label="Views" title="Views of this project" high="80%" close={close}>
      <Box
        component="ol"
        aria-label="Views, in order"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(250px, 1fr))',
          gap: 2,
        }}
      >
        {views.map((view, index) => (
          <Box component="li" key={view.id} data-view={view.id} sx={{ minWidth: 0 }}>
            <ViewCard view={view} width={230} says="in-short" />
            <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
              {view.id === viewId ? null : (
                <>
                  <Button size="small" sx={{ color: 'secondary.main' }} onClick={() => commands.chooseView(view.id)}>
                    stand here
                  </Button>
                  <Button size="small" onClick={() => setBeside(view.id)}>
                    compare
                  </Button>
                </>
              )}
              {readOnly ? null : (
                <>
                  <Button size="small" onClick={() => copy(view)}>
                    copy
                  </Button>
                  {index > 0 ? (
                    <Button
                      size="small"
                      onClick={() =>
                        commands.change('Put the views in order', { kind: 'move-view', viewId: view.id, to: index - 1 })
                      }
                    >
                      earlier
                    </Button>
                  ) : null}
                  {views.length > 1 ? (
                    <Button
                      size="small"
                      onClick={() => commands.change(`Take out ${view.name}`, { kind: 'remove-view', viewId: view.id })}
                    >
                      take out
                    </Button>
                  ) : null}
                </>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      {readOnly ? null : (
        <Box component="p" sx={{ m: 0, mt: 1.5, fontSize: 15 }}>
          A further view begins as a copy: stand where you are, and move from there.{' '}
          <Button sx={{ color: 'secondary.main' }} onClick={() => copy(here)}>
            add a view
          </Button>
        </Box>
      )}
    </PaperSheet>
  );
}
