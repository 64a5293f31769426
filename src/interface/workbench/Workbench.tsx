'use client';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useSnackbar } from 'notistack';
import { useStore } from 'zustand';
import { choosePiece, lengthStyleOf, type Id, type Project, type View } from '@/core/record';
import { viewWarnings } from '@/core/view';
import {
  LivePicture,
  MeasureBoard,
  MeasureSheets,
  MeasureWords,
  useMeasure,
  type MeasureCommands,
  type Measuring,
} from '@/interface/measure';
import { contradictionsOf } from '@/core/solids';
import { Board, cornersOf, isLarge, usePerspective, useScene, type BoardCommands } from '@/interface/board';
import { useServices, type Stage } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { StepList } from '@/interface/player';
import { currentView, projectOf, type WorkStore } from '@/state';
import type { ConstructionPlan } from '@/core/construction';
import { FootRow } from './FootRow';
import { Help } from './Help';
import { LitSentence } from './LitSentence';
import { ProblemPaper } from './ProblemPaper';
import { Sentences } from './Sentences';
import { SetOutSheet } from './SetOutSheet';
import { TitleLine } from './TitleLine';
import { useShortcuts } from './use-shortcuts';
import { useUnhurried } from './use-unhurried';
import { standOf } from '@/core/drawing';

const chosenPiece = (project: Project, view: View): Id | null =>
  project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? project.pieces[0]?.id ?? null;

/** The workbench for one open project: title line, margin, paper, foot row. */
export function Workbench({ store, stage }: { readonly store: WorkStore; readonly stage: Stage }) {
  const { look } = useLook();
  const services = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const { commands } = store;
  const project = useStore(store, projectOf);
  const desk = useStore(store, (state) => state.desk);
  const refusal = useStore(store, (state) => state.refusal);
  const dragging = useStore(store, (state) => state.dragged !== null);
  const canUndo = useStore(store, (state) => state.history.past.at(-1)?.label ?? null);
  const canRedo = useStore(store, (state) => state.history.future[0]?.label ?? null);
  const view = currentView(project, desk);
  const chosen = chosenPiece(project, view);
  const { units, fractions, rulerStepMm } = project;
  const style = useMemo(() => lengthStyleOf({ units, fractions, rulerStepMm }), [units, fractions, rulerStepMm]);
  const readOnly = services.keeping === 'reading-only';
  const narrow = useMediaQuery('(max-width:1100px)');
  const board = useRef<BoardCommands | null>(null);
  const [lit, setLit] = useState<Id | null>(null);
  const [litEdge, setLitEdge] = useState<Id | null>(null);
  const [paper, setPaper] = useState<'none' | 'set-out' | 'help'>('none');

  const measureBoard = useRef<MeasureCommands | null>(null);
  const measuring = useMeasure(project, view, style, commands, readOnly, dragging, measureBoard);
  const measures = stage === 'measure';

  const wanted = stage === 'draw' ? Math.max(1, desk.steps[view.id] ?? 1) : null;
  const settled = useStore(store, (state) => state.history.present);
  const measured = useScene(project);
  // A drag in a large room leaves the small picture of Measure as it was until it is let go.
  const pictured = measures && dragging && isLarge(measured) ? settled : project;
  const perspective = usePerspective(pictured, view, chosen, wanted, services.lines);
  const plan = perspective.ok && perspective.value.construction?.ok ? perspective.value.construction.value.plan : null;
  const step = wanted === null || !plan ? null : Math.min(wanted, plan.steps.length);
  // Findings and warnings wait for the end of a drag: rings that jump along with the pointer only distract.
  const findings = useMemo(() => contradictionsOf(settled), [settled]);
  const stands = !dragging && perspective.ok ? perspective.value : null;
  const rings = useMemo(
    () => (stands ? [...findings, ...viewWarnings(stands.stand.set, stands.scene.bodies)] : findings),
    [findings, stands],
  );

  useEffect(() => {
    if (!refusal) return;
    enqueueSnackbar(refusal, { variant: 'error', autoHideDuration: 8000 });
    commands.forgetRefusal();
  }, [refusal, commands, enqueueSnackbar]);

  const choose = (pieceId: Id): void => {
    if (readOnly || pieceId === chosen) return;
    commands.change(`Choose ${project.pieces.find((piece) => piece.id === pieceId)?.name ?? 'a piece'}`, (now) =>
      choosePiece(now, view.id, pieceId),
    );
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
      setOut: () => setPaper(paper === 'set-out' ? 'none' : 'set-out'),
      help: () => setPaper(paper === 'help' ? 'none' : 'help'),
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
    () => (measures ? { counted, next, open: openSheet, paper: sheet, drawing: drawsWalls, readOnly } : null),
    [measures, counted, next, openSheet, sheet, drawsWalls, readOnly],
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
  const toggleSetOut = useCallback(() => setPaper((now) => (now === 'set-out' ? 'none' : 'set-out')), []);
  const showHelp = useCallback(() => setPaper('help'), []);
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
        setOutShown={paper === 'set-out'}
        showSetOut={toggleSetOut}
        showHelp={showHelp}
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
                <LivePicture drawing={perspective.value.drawing} view={view} exact={!perspective.value.quick} />
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
            />
          ) : perspective.ok ? (
            <Board
              project={project}
              view={view}
              perspective={perspective.value}
              stage={stage === 'draw' ? 'draw' : 'stand'}
              chosen={chosen}
              step={step}
              litCorner={lit}
              litEdge={litEdge}
              light={pointAt}
              choose={choose}
              commands={commands}
              rings={rings}
              readOnly={readOnly}
              dragging={dragging}
              boardRef={board}
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
          {paper === 'set-out' && !measures && perspective.ok ? (
            <SetOutSheet
              project={project}
              view={view}
              setOut={perspective.value.stand.setOut}
              style={style}
              close={() => setPaper('none')}
            />
          ) : null}
          {paper === 'help' ? <Help close={() => setPaper('none')} /> : null}
        </Box>
      </Box>
      <FootRow
        viewName={view.name}
        stage={stage}
        roomTurnDeg={perspective.ok ? (perspective.value.stand.setOut.groups[0]?.turnDeg ?? null) : null}
        quick={perspective.ok && perspective.value.quick}
        refusal={construction && !construction.ok ? construction.error.message : null}
        plan={plan}
        step={step}
        style={style}
        rings={measures ? findings : rings}
        goToStep={commands.goToStep}
        narrow={narrow}
        change={commands.change}
        measuring={footing}
        chosenName={project.pieces.find((piece) => piece.id === chosen)?.name ?? null}
      />
    </Box>
  );
}

/** The sentences of what is chosen. While something is dragged they follow the paper at their own pace. */
const CalmMeasureWords = memo(
  function CalmMeasureWords({
    store,
    measuring,
    readOnly,
  }: {
    readonly store: WorkStore;
    readonly measuring: Measuring;
    readonly readOnly: boolean;
  }) {
    const project = projectOf(useUnhurried(store));
    const style = lengthStyleOf(project);
    return (
      <MeasureWords
        project={project}
        measuring={measuring}
        style={style}
        commands={store.commands}
        readOnly={readOnly}
      />
    );
  },
  // The commands inside `measuring` are made anew with every look at the project; what is shown depends on these alone.
  (before, after) =>
    before.store === after.store &&
    before.readOnly === after.readOnly &&
    before.measuring.dragging &&
    after.measuring.dragging &&
    before.measuring.first === after.measuring.first,
);

/** What there is so far, and what comes next. */
function foot(project: Project): { readonly counted: string; readonly next: 'walls' | 'templates' | 'stand' } {
  const untouched = project.openings.length === 0 && project.pieces.length === 0;
  const count = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;
  const walls = project.spaces.flatMap((space) => space.walls);
  const usual = walls.every((wall) => wall.length.claims.every((claim) => claim.source === 'usual'));
  return {
    counted: [
      count(project.spaces.length, 'room', 'rooms'),
      count(walls.length, 'wall', 'walls'),
      count(project.openings.length, 'opening', 'openings'),
      count(project.pieces.length, 'piece', 'pieces'),
    ].join(', '),
    next: untouched ? (usual ? 'walls' : 'templates') : 'stand',
  };
}

interface MarginWordsProps {
  readonly store: WorkStore;
  readonly stage: Stage;
  readonly plan: ConstructionPlan | null;
  readonly step: number | null;
  readonly lit: Id | null;
  readonly litEdge: Id | null;
  readonly readOnly: boolean;
  readonly narrow: boolean;
}

/** The sentences of the margin, in the order their place wants. While a handle is dragged they follow the paper at their own pace. */
const MarginWords = memo(function MarginWords({
  store,
  stage,
  plan,
  step,
  lit,
  litEdge,
  readOnly,
  narrow,
}: MarginWordsProps) {
  const state = useUnhurried(store);
  const { commands } = store;
  const project = projectOf(state);
  const view = currentView(project, state.desk);
  const chosen = chosenPiece(project, view);
  const style = lengthStyleOf(project);
  const stand = useMemo(() => standOf(project, view), [project, view]);
  const set = stand.ok ? stand.value.set : null;
  const pointed = set ? (
    <LitSentence project={project} view={view} set={set} corner={lit} edge={litEdge} style={style} />
  ) : null;
  const sentences = (
    <Sentences
      project={project}
      view={view}
      chosen={chosen}
      style={style}
      commands={commands}
      readOnly={readOnly}
      set={set}
    />
  );
  if (stage === 'stand')
    return narrow ? (
      <>
        {sentences}
        {pointed}
      </>
    ) : (
      <>
        {pointed}
        {sentences}
      </>
    );
  if (narrow) return null;
  return (
    <>
      {pointed}
      {plan && step !== null ? <StepList plan={plan} step={step} style={style} goTo={commands.goToStep} /> : null}
    </>
  );
});
