'use client';
import { ViewsSheet } from '@/interface/views';
import { standWarnings } from '@/core/pipeline';
import type { PicturePoint } from '@/core/space';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useSnackbar } from 'notistack';
import { useStore } from 'zustand';
import { lengthStyleOf, type Id, type Project } from '@/core/record';
import { contradictionsOf } from '@/core/solids';
import { outOfReach, type Held } from '@/core/view';
import { Board, cornersOf, usePerspective, useScene, type BoardCommands, isLarge } from '@/interface/board';
import {
  carriesPieces,
  MeasureBoard,
  MeasureSheets,
  useMeasure,
  type MeasureCommands,
  FollowingPicture,
} from '@/interface/measure';
import { useServices, type Stage } from '@/interface/services';
import { SetOutSheets, usePixelRatio, usualGrid, type SetOutPaper } from '@/interface/set-out';
import { useLook } from '@/interface/theme';
import { currentView, projectOf, type WorkStore, type WorkState } from '@/state';
import { chosenPiece } from './chosen-piece';
import { foot } from './foot';
import { FootRow } from './FootRow';
import { Help } from './Help';
import { CalmMeasureWords, MarginWords } from './MarginWords';
import { ProblemPaper } from './ProblemPaper';
import { ringOfWarning, type Ring } from './ring';
import { TitleLine } from './TitleLine';
import { useShortcuts } from './use-shortcuts';

/** The sheet that is laid over the paper. */
type OpenSheet = SetOutPaper | 'help' | 'views';

/** Nothing is out of reach, and no print is open: one list for all times, so that what is remembered by it stays. */
const NONE: readonly string[] = [];

const presentOf = (state: WorkState): Project => state.history.present;
const measuredOf = (state: WorkState): Project =>
  carriesPieces(state.dragChange) ? state.history.present : projectOf(state);

/** The workbench for one open project: title line, margin, paper, foot row. */
export function Workbench({ store, stage }: { readonly store: WorkStore; readonly stage: Stage }) {
  const { look } = useLook();
  const services = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const { commands } = store;
  // Boards follow a drag by themselves: what is rendered is the project as it is kept, but for a drag in Measure that makes the room another.
  const project = useStore(store, stage === 'measure' ? measuredOf : presentOf);
  const desk = useStore(store, (state) => state.desk);
  const refusal = useStore(store, (state) => state.refusal);
  const dragging = useStore(store, (state) => state.dragged !== null);
  const canUndo = useStore(store, (state) => state.history.past.at(-1)?.label ?? null);
  const canRedo = useStore(store, (state) => state.history.future[0]?.label ?? null);
  const view = currentView(project, desk);
  const chosen = chosenPiece(project, view);
  const { units, fractions, rulerStepMm } = project;
  const style = useMemo(() => lengthStyleOf({ units, fractions, rulerStepMm }), [units, fractions, rulerStepMm]);
  const readOnly = services.saveStatus === 'reading-only';
  const narrow = useMediaQuery('(max-width:1100px)');
  const board = useRef<BoardCommands | null>(null);
  const [lit, setLit] = useState<Id | null>(null);
  const [litEdge, setLitEdge] = useState<Id | null>(null);
  const [paper, setPaper] = useState<OpenSheet>('none');
  const [held, hold] = useState<Held>('partner');
  // What a change moved besides itself is told until the next change.
  const [told, setTold] = useState<{ readonly sentences: readonly string[]; readonly on: unknown } | null>(null);
  const tell = useCallback(
    (sentences: readonly string[]) => setTold({ sentences, on: store.getState().history.present }),
    [store],
  );
  const ratio = usePixelRatio();
  const { screen } = services.tools;
  const screenHolds = screen !== null && Math.abs(screen.ratio - ratio) < 1e-6;

  const measureBoard = useRef<MeasureCommands | null>(null);
  const measuring = useMeasure(project, view, style, commands, readOnly, dragging, measureBoard);
  const measures = stage === 'measure';

  const wanted = stage === 'draw' ? Math.max(1, desk.steps[view.id] ?? 1) : null;
  const settled = useStore(store, (state) => state.history.present);
  const measured = useScene(project);
  // The small picture of Measure follows a drag by itself, as far as it can.
  const perspective = usePerspective(measures ? settled : project, view, chosen, wanted, services.lines, desk.layers);
  const plan = perspective.ok && perspective.value.construction?.ok ? perspective.value.construction.value.plan : null;
  const step = wanted === null || !plan ? null : Math.min(wanted, plan.steps.length);
  // Findings and warnings wait for the end of a drag: rings that jump along with the pointer only distract.
  const found = useDeferredValue(settled);
  const findings = useMemo(() => contradictionsOf(found), [found]);
  const stands = !dragging && perspective.ok ? perspective.value : null;
  // A quick picture does not know what is hidden: the warnings wait for the exact one, and for a moment when nothing else is to be drawn.
  const standing = useMemo(
    () => (stands && !stands.quick && !measures ? { stands, settled, view } : null),
    [stands, measures, settled, view],
  );
  const calm = useDeferredValue(standing);
  const rings = useMemo<readonly Ring[]>(() => {
    if (!calm) return findings;
    const { scene, stand, lines } = calm.stands;
    const warnings = standWarnings(calm.settled, calm.view, scene, stand, lines, style);
    return [...findings, ...warnings.map((one) => ringOfWarning(calm.view.id, one))];
  }, [findings, calm, style]);

  useEffect(() => {
    if (!refusal) return;
    enqueueSnackbar(refusal, { variant: 'error', autoHideDuration: 8000 });
    commands.forgetRefusal();
  }, [refusal, commands, enqueueSnackbar]);

  const choose = (pieceId: Id): void => {
    if (readOnly || pieceId === chosen) return;
    commands.change(`Choose ${project.pieces.find((piece) => piece.id === pieceId)?.name ?? 'a piece'}`, {
      kind: 'choose-piece',
      viewId: view.id,
      pieceId,
    });
    commands.goToStep(1);
  };
  /** The next of a list; from nothing, the walk begins at the piece at hand. */
  const walked = (list: readonly { readonly id: Id; readonly body: Id }[], now: Id | null, by: 1 | -1): Id | null => {
    const at =
      now === null
        ? list.findIndex((one) => one.body === chosen) - (by === 1 ? 1 : 0)
        : list.findIndex((one) => one.id === now);
    return list[(at + by + list.length) % list.length]?.id ?? null;
  };
  const pointAt = useCallback((corner: Id | null): void => {
    setLit(corner);
    setLitEdge(null);
  }, []);
  const pointAtLine = useCallback((line: Id | null): void => {
    setLit(null);
    setLitEdge(line);
  }, []);
  const [tape, setTape] = useState<{ readonly plane: string; readonly points: readonly PicturePoint[] }>({
    plane: 'floor',
    points: [],
  });
  // A third point begins anew.
  const putTape = useCallback(
    (point: PicturePoint): void =>
      setTape((now) => ({ ...now, points: now.points.length === 2 ? [point] : [...now.points, point] })),
    [],
  );
  const walkCorners = (by: 1 | -1): void => {
    if (perspective.ok)
      pointAt(
        walked(
          cornersOf(perspective.value.scene.bodies).map((corner) => ({ id: corner.id, body: corner.bodyId })),
          lit,
          by,
        ),
      );
  };
  const walkEdges = (by: 1 | -1): void => {
    if (!perspective.ok) return;
    setLitEdge(walked(perspective.value.scene.prepared.edges, litEdge, by));
    setLit(null);
  };
  const walkPieces = (by: 1 | -1): void => {
    const at = project.pieces.findIndex((piece) => piece.id === chosen);
    const next = project.pieces[(at + by + project.pieces.length) % project.pieces.length];
    if (next) choose(next.id);
  };
  const toggle = (which: OpenSheet): void => setPaper(paper === which ? 'none' : which);
  useShortcuts(
    {
      undo: commands.undo,
      redo: commands.redo,
      fit: () => (measures ? measureBoard.current?.fit() : board.current?.fit()),
      equalise: () => board.current?.equalise(),
      nextCorner: () => walkCorners(1),
      previousCorner: () => walkCorners(-1),
      nextEdge: () => walkEdges(1),
      previousEdge: () => walkEdges(-1),
      nextPiece: () => (measures ? measuring.walkPieces(1) : walkPieces(1)),
      previousPiece: () => (measures ? measuring.walkPieces(-1) : walkPieces(-1)),
      measure: () => services.goTo('measure'),
      templates: () => measuring.setPaper(measuring.paper === 'templates' ? 'none' : 'templates'),
      walls: () => measuring.setPaper(measuring.paper === 'walls' ? 'none' : 'walls'),
      sizes: () => measuring.setPaper(measuring.paper === 'sizes' ? 'none' : 'sizes'),
      outline: () => measuring.setPaper(measuring.paper === 'outline' ? 'none' : 'outline'),
      nextThing: () => measuring.walk(1),
      previousThing: () => measuring.walk(-1),
      turnSide: measuring.turnSide,
      takeOut: measuring.remove,
      copy: measuring.copy,
      paste: measuring.paste,
      duplicate: measuring.duplicate,
      repeat: measuring.repeat,
      mirror: measuring.mirror,
      align: measuring.alignNear,
      chooseToo: measuring.chooseToo,
      stand: () => services.goTo('stand'),
      draw: () => services.goTo('draw'),
      setOutStage: () => services.goTo('set-out'),
      setOut: () => toggle('table'),
      reach: () => toggle('reach'),
      report: () => toggle('report'),
      byEye: () => toggle('guess'),
      print: () => toggle('print'),
      findPlace: () => toggle('find'),
      layers: () => toggle('layers'),
      tape: () => toggle('tape'),
      grid: () => {
        if (readOnly) return;
        commands.change(view.grid ? 'Take the grid off' : 'Lay a grid', {
          kind: 'change-view',
          viewId: view.id,
          fields: { grid: view.grid ? null : usualGrid(project.units) },
        });
      },
      trueSize: () => {
        if (screenHolds) board.current?.trueSize();
        else
          enqueueSnackbar(
            screen === null
              ? 'Measure the screen with a ruler first: under print (I).'
              : 'True size does not hold: the browser’s zoom, or the screen, is another than when it was measured. Set the zoom back, or measure again under print (I).',
            { variant: 'warning', autoHideDuration: 8000 },
          );
      },
      help: () => toggle('help'),
      layAside: () => {
        if (dragging) commands.cancelDrag();
        else if (paper !== 'none') setPaper('none');
        else if (measuring.paper !== 'none') measuring.setPaper('none');
        else if (measuring.drawing) measuring.setDrawing(null);
        else pointAt(null);
      },
      nextStep: () => plan && step !== null && commands.goToStep(Math.min(plan.steps.length, step + 1)),
      previousStep: () => step !== null && commands.goToStep(Math.max(1, step - 1)),
      firstStep: () => step !== null && commands.goToStep(1),
      lastStep: () => plan && step !== null && commands.goToStep(plan.steps.length),
    },
    stage,
  );

  const { counted, next } = foot(project);
  const { paper: sheet, setPaper: openSheet } = measuring;
  const drawsWalls = measuring.drawing !== null;
  const footing = useMemo(
    () => (measures ? { counted, next, open: openSheet, paper: sheet, drawing: drawsWalls } : null),
    [measures, counted, next, openSheet, sheet, drawsWalls],
  );
  const far =
    stands && stage === 'set-out'
      ? outOfReach(view, stands.stand.setOut)
          .map(({ mark }) => mark.label)
          .join('|')
      : '';
  const layingOut = useMemo(
    () => (stage === 'set-out' ? { paper, open: setPaper, outOfReach: far === '' ? NONE : far.split('|') } : null),
    [stage, paper, far],
  );
  const desktop = useRef({ project, view, chosen, perspective, measured: measuring.first, side: measuring.side });
  useEffect(() => {
    desktop.current = { project, view, chosen, perspective, measured: measuring.first, side: measuring.side };
  });
  const onDesk = useCallback(() => {
    const now = desktop.current;
    return {
      project: now.project,
      view: now.view,
      chosen: now.chosen,
      measured: now.measured,
      side: now.side,
      perspective: now.perspective.ok ? now.perspective.value : null,
    };
  }, []);
  const showPrint = useCallback(() => setPaper('print'), []);
  const showHelp = useCallback(() => setPaper('help'), []);
  const showViews = useCallback(() => setPaper('views'), []);
  const construction = perspective.ok ? perspective.value.construction : null;
  const inMargin = (
    <MarginWords
      store={store}
      stage={stage}
      plan={plan}
      step={step}
      lit={lit}
      litEdge={litEdge}
      readOnly={readOnly}
      narrow={narrow}
      scene={measured}
      held={held}
      hold={hold}
      told={told?.on === settled ? told.sentences : NONE}
      tell={tell}
      open={setPaper}
    />
  );
  return (
    <Box sx={{ height: '100dvh', display: 'flex', flexDirection: 'column', overflow: 'hidden' }}>
      <TitleLine
        projectName={project.name}
        views={dragging ? settled.views : project.views}
        viewId={view.id}
        stage={stage}
        stands={perspective.ok}
        desk={onDesk}
        commands={commands}
        readOnly={readOnly}
        canUndo={canUndo}
        canRedo={canRedo}
        showPrint={showPrint}
        showHelp={showHelp}
        showViews={showViews}
      />
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: narrow ? 'column-reverse' : 'row' }}>
        <Box
          component="aside"
          aria-label="Margin"
          sx={{
            width: narrow ? '100%' : 232,
            flexShrink: 0,
            overflow: 'auto',
            p: narrow ? '6px 16px' : '12px 14px',
            backgroundColor: look.margin,
            [narrow ? 'borderTop' : 'borderRight']: `1px solid ${look.rule}`,
            ...(narrow
              ? {
                  maxHeight: stage === 'draw' ? 0 : 84,
                  ...(stage === 'draw' ? { p: 0 } : {}),
                  '& p': { display: 'inline', mr: 1 },
                }
              : {}),
          }}
        >
          {measures ? (
            <Box sx={narrow ? {} : { display: 'flex', flexDirection: 'column', minHeight: '100%' }}>
              <CalmMeasureWords store={store} measuring={measuring} readOnly={readOnly} />
              {perspective.ok && !narrow ? (
                <FollowingPicture store={store} perspective={perspective.value} view={view} />
              ) : null}
            </Box>
          ) : (
            inMargin
          )}
        </Box>
        <Box
          component="main"
          sx={{
            position: 'relative',
            flex: 1,
            minWidth: 0,
            minHeight: 0,
            display: 'flex',
            backgroundColor: look.paper,
            backgroundImage:
              look.tooth > 0
                ? `url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='160' height='160'%3E%3Cfilter id='t'%3E%3CfeTurbulence type='fractalNoise' baseFrequency='.8' numOctaves='3'/%3E%3CfeColorMatrix values='0 0 0 0 .3 0 0 0 0 .27 0 0 0 0 .2 0 0 0 ${look.tooth} 0'/%3E%3C/filter%3E%3Crect width='160' height='160' filter='url(%23t)'/%3E%3C/svg%3E")`
                : 'none',
          }}
        >
          {measures ? (
            <MeasureBoard
              project={project}
              scene={measured}
              chosen={measuring.chosen}
              choose={measuring.choose}
              side={measuring.side}
              homeLevel={view.levelId}
              commands={commands}
              readOnly={readOnly}
              rings={dragging ? [] : findings}
              drawing={measuring.drawing}
              draw={measuring.draw}
              boardRef={measureBoard}
              store={store}
            />
          ) : perspective.ok ? (
            <Board
              project={project}
              view={view}
              perspective={perspective.value}
              stage={stage}
              screen={screen === null ? null : { pixelsPerMm: screen.pixelsPerMm, holds: screenHolds }}
              held={held}
              tell={tell}
              chosen={chosen}
              step={step}
              litCorner={lit}
              litEdge={litEdge}
              light={pointAt}
              lightEdge={pointAtLine}
              tape={paper === 'tape' ? { points: tape.points, put: putTape } : null}
              choose={choose}
              commands={commands}
              rings={rings}
              readOnly={readOnly}
              dragging={dragging}
              boardRef={board}
              store={store}
              laid={desk.layers}
              service={services.lines}
            />
          ) : (
            <ProblemPaper message={perspective.error.message} undo={canUndo ? commands.undo : null} />
          )}
          {measures ? (
            <MeasureSheets
              project={project}
              measuring={measuring}
              style={style}
              commands={commands}
              readOnly={readOnly}
            />
          ) : null}
          {paper !== 'help' && paper !== 'views' && !measures && perspective.ok ? (
            <SetOutSheets
              paper={paper}
              project={project}
              view={view}
              chosen={chosen}
              perspective={perspective.value}
              laid={desk.layers}
              tape={tape}
              setTape={setTape}
              style={style}
              commands={commands}
              readOnly={readOnly}
              close={() => setPaper('none')}
            />
          ) : null}
          {paper === 'views' ? (
            <ViewsSheet
              {...{ project, commands, readOnly }}
              scene={measured}
              viewId={view.id}
              close={() => setPaper('none')}
            />
          ) : null}
          {paper === 'help' ? <Help close={() => setPaper('none')} /> : null}
        </Box>
      </Box>
      <FootRow
        store={store}
        viewName={view.name}
        stage={stage}
        roomTurnDeg={perspective.ok ? (perspective.value.stand.setOut.groups[0]?.turnDeg ?? null) : null}
        quick={perspective.ok && (perspective.value.quick || (dragging && isLarge(perspective.value.scene)))}
        refusal={construction && !construction.ok ? construction.error.message : null}
        plan={plan}
        step={step}
        style={style}
        rings={measures ? findings : rings}
        goToStep={commands.goToStep}
        narrow={narrow}
        change={commands.change}
        readOnly={readOnly}
        measuring={footing}
        layingOut={layingOut}
        chosenName={project.pieces.find((piece) => piece.id === chosen)?.name ?? null}
      />
    </Box>
  );
}
