'use client';
import { useEffect, useMemo, useState } from 'react';
import Box from '@mui/material/Box';
import { sceneOf, standWarnings } from '@/core/pipeline';
import type { View } from '@/core/record';
import { formatLength, formatPaper } from '@/core/units';
import { seenIn, standOf, type ViewWarning } from '@/core/view';
import { drain, visibleLinesExact, type VisibleLines } from '@/core/visibility';
import { NameField } from '@/interface/fields';
import { LivePicture } from '@/interface/paper';
import { useLook } from '@/interface/theme';
import { useSession, useWorkedOut } from '@/interface/session';

interface ViewCardProps {
  readonly view: View;
  readonly width: number;
  /** How much is said: the number of warnings, or each of them. */
  readonly says: 'in-short' | 'all';
}

/** One view: its name, its picture, the figures it hangs on, and what is to be said against it. */
export function ViewCard({ view, width, says }: ViewCardProps) {
  const { project: whole, style } = useSession();
  const worked = useWorkedOut();
  const project = useMemo(() => seenIn(whole, view), [whole, view]);
  const scene = useMemo(() => (project === whole ? worked.scene : sceneOf(project)), [project, whole, worked.scene]);
  const { look } = useLook();
  const stand = useMemo(() => standOf(project, view), [project, view]);
  const [lines, setLines] = useState<{ readonly of: unknown; readonly lines: VisibleLines } | null>(null);
  useEffect(() => {
    if (!stand.ok) return undefined;
    // One after another, so that the sheet lies there at once.
    const waiting = setTimeout(
      () => setLines({ of: stand, lines: drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame)) }),
      0,
    );
    return () => clearTimeout(waiting);
  }, [stand, scene, view.frame]);
  const seen = lines?.of === stand ? lines.lines : null;
  const warnings = useMemo<readonly ViewWarning[]>(
    () => (stand.ok && seen ? standWarnings(project, view, scene, stand.value, seen, style) : []),
    [stand, seen, project, view, scene, style],
  );
  return (
    <>
      <ViewName view={view} />
      {stand.ok ? (
        <>
          {seen ? (
            <LivePicture
              pictured={{ scene, setUp: stand.value.setUp, lines: seen }}
              view={view}
              exact
              width={width}
              testId="view-picture"
            />
          ) : (
            <Box
              sx={{
                height: Math.round(
                  (width * (view.frame.top - view.frame.bottom)) / (view.frame.right - view.frame.left),
                ),
              }}
            />
          )}
          <Box component="p" data-testid="view-figures" sx={{ m: 0, mt: 0.5, fontSize: 14, lineHeight: 1.4 }}>
            {formatLength(stand.value.setUp.pictureDistance, style)} before the picture plane, eye{' '}
            {formatLength(view.eyeHeight.mm, style)} high, 1:{view.scaleDenominator}; look from{' '}
            {formatPaper(stand.value.setUp.viewingDistance, style)}.
          </Box>
          {says === 'all' ? (
            <Box component="ul" aria-label={`Warnings for ${view.name}`} sx={{ m: 0, pl: 2, fontSize: 14 }}>
              {warnings.map((one, i) => (
                <Box component="li" key={i} sx={{ color: look.warning }}>
                  {one.message}
                </Box>
              ))}
              {seen && warnings.length === 0 ? <li>Nothing is to be said against it.</li> : null}
            </Box>
          ) : (
            <Box component="p" sx={{ m: 0, fontSize: 14, color: warnings.length > 0 ? look.warning : look.faint }}>
              {!seen
                ? 'Working it out …'
                : warnings.length === 0
                  ? 'Nothing is to be said against it.'
                  : `${warnings.length} ${warnings.length === 1 ? 'warning' : 'warnings'}.`}
            </Box>
          )}
        </>
      ) : (
        <Box component="p" sx={{ m: 0, fontSize: 14, color: look.warning }}>
          {stand.error.message}
        </Box>
      )}
    </>
  );
}

function ViewName({ view }: { readonly view: View }) {
  const { commands, readOnly } = useSession();
  const { look } = useLook();
  return (
    <NameField
      label={`Name of ${view.name}`}
      name={view.name}
      disabled={readOnly}
      sx={{ fontSize: 16, fontWeight: 400, color: look.text, borderBottom: `1px dotted ${look.rule}`, mb: 0.5 }}
      onChange={(name) => commands.change(`Rename ${view.name}`, { kind: 'rename-view', viewId: view.id, name })}
    />
  );
}
