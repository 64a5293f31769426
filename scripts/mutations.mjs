/**
 * A hundred things to break, one at a time: `npm run mutate` breaks each in a copy and looks whether a test turns red. A further one is a line here:
 * the file, what is broken in words, what stands there and what is put in its place. What stands there must be found exactly once.
 * Longer than other files, for it is a list: data with no code between its lines.
 */
const of = (file, ...mutations) => mutations.map(([breaks, find, put]) => ({ file, breaks, find, put }));

export const MUTATIONS = [
  // What is done, undone and kept.
  ...of(
    'src/state/transition.ts',
    ['locked pieces may be moved, loose ones not', '.locked) continue;', '.locked === false) continue;'],
    ['a drag leaves no change in the history', 'changes: [dragChange], atMs', 'changes: [], atMs'],
    ['undo goes back a step while something is dragged', 'return state.dragged ?', 'return !state.dragged ?'],
    [
      'the desk points at a view that is gone',
      'views.some((view) => view.id === desk.viewId) ? desk',
      'views.length > 0 ? desk',
    ],
    ['what was dragged stays in hand', 'history, ...NOTHING_IN_HAND, desk:', 'history, desk:'],
  ),
  ...of(
    'src/state/history.ts',
    ['nudges far apart are one run', 'RUN_PAUSE_MS = 900', 'RUN_PAUSE_MS = 900_000'],
    ['a nudge after an undo joins the run before', 'history.future.length === 0;', 'true;'],
    ['the history grows for ever', '-LONGEST_HISTORY,', '-Infinity,'],
    [
      'undo forgets the state it came from',
      '{ ...last, state: history.present, run: null };',
      '{ ...last, run: null };',
    ],
    [
      'redo leaves what it did to be done again',
      'present: next.state, future: rest }',
      'present: next.state, future: history.future }',
    ],
    ['a change that changes nothing is an entry', 'if (step.state === history.present) return history;', ''],
  ),
  // What outlives the window.
  ...of(
    'src/persistence/autosave.ts',
    ['work whose save failed is forgotten', 'this.waiting ??= work;', ''],
    ['saved is said while more waits', "if (!this.waiting) this.tell({ is: 'saved' });", "this.tell({ is: 'saved' });"],
    ['two saves run at once', 'if (this.running) await this.running;', ''],
  ),
  ...of(
    'src/persistence/project-store.ts',
    ['the oldest snapshot is opened', 'of [...kept].reverse()) {', 'of [...kept]) {'],
    ['a save is written over the one before', 'Math.max(0, ...kept) + 1', 'Math.max(1, ...kept)'],
    ['two snapshots are kept, not three', 'KEPT_SNAPSHOTS = 3', 'KEPT_SNAPSHOTS = 2'],
    [
      'nothing is said when an earlier snapshot was opened',
      'notice: number === pointer?.current ?',
      'notice: number > 0 ?',
    ],
  ),
  ...of(
    'src/persistence/write-lock.ts',
    ['a writer loads what it has saved itself', "'saved' && !holding)", "'saved')"],
    ['a lock that is given up stays held', '      watching?.abort();\n      letGo();\n', '      watching?.abort();\n'],
    ['nobody hears that the right to write is lost', '    events.lost();\n', ''],
  ),
  // What is worked out beside the screen.
  ...of(
    'src/workers/client.ts',
    ['lines that nobody waits for any more are shown', 'if (mine !== job) return;\n        quiet();', 'quiet();'],
    [
      'a worker at work is taken for a silent one',
      '      watch();\n      now.heard?.progress(amount);',
      '      now.heard?.progress(amount);',
    ],
    ['a worker started anew is not given the room', 'running = null;\n    held = null;', 'running = null;'],
    ['the room is sent with every question', 'if (!held || !sameRecord(record, held)) {', 'if (held !== record) {'],
  ),
  ...of('src/workers/sent-record.ts', [
    'what an edit left alone is sent again',
    'known.get(one) ?? -1',
    'known.size > 0 ? -1 : 0',
  ]),
  ...of(
    'src/workers/serve-lines.ts',
    [
      'a cancelled job is worked to its end',
      "if (cancelled.delete(job)) return { kind: 'cancelled', job };\n          sliceStart",
      'sliceStart',
    ],
    ['lines of an older room are answered', '!kept || kept.revision !== revision', '!kept'],
    ['what is sent away is remembered as well', 'lines: copyOf(step.value),', 'lines: step.value,'],
  ),
  ...of(
    'src/workers/one-job.ts',
    [
      'the older of two jobs goes on',
      '      giveUp?.();\n      return new Promise((resolve) => {\n',
      '      return new Promise((resolve) => {\n',
    ],
    [
      'a job that shows signs of life is given up',
      '          watch();\n          progress(done);',
      '          progress(done);',
    ],
  ),
  // Strokes on paper.
  ...of(
    'src/core/drawing/clip-drawing.ts',
    ['short strokes are lost at the edge', '< tolerance.strokeMm ? null : cut', '< 10 ? null : cut'],
    ['an area is cut at the middle of its sides', 'const share = da / (da - db);', 'const share = 0.5;'],
    ['a curve is not cut at the left edge', 'x < left || x > right || y < bottom', 'x > right || y < bottom'],
  ),
  ...of(
    'src/core/drawing/layers.ts',
    ['a group laid aside is faint', "faintest.includes('off') ? 'off'", "faintest.includes('off') ? 'dimmed'"],
    ['a piece is locked only if all furniture is', 'own.locked || whole.locked', 'own.locked && whole.locked'],
  ),
  ...of(
    'src/core/drawing/print-pages.ts',
    [
      'a printer is corrected the wrong way',
      '(before.across * controlMm) / measured.across',
      '(before.across * measured.across) / controlMm',
    ],
    ['tiles leave no overlap', 'c * (width - TILE_OVERLAP_MM)', 'c * width'],
    ['across and down are exchanged', '{ scale: across, scaleY: down,', '{ scale: down, scaleY: across,'],
  ),
  ...of('src/core/drawing/line-class.ts', [
    'profiles and inner edges are exchanged',
    "facing === 1 ? 'profile'",
    "facing !== 1 ? 'profile'",
  ]),
  ...of('src/core/drawing/join-curves.ts', [
    'the shorter of two curves in one place is drawn',
    'spanOf(ellipses[b]) - spanOf(ellipses[a])',
    'spanOf(ellipses[a]) - spanOf(ellipses[b])',
  ]),
  // Points, cones, set-outs.
  ...of('src/core/view/solve-point.ts', [
    'a measuring point lies on its vanishing point’s side',
    "=== (point.role !== 'measuring') ? 1 : -1",
    "=== (point.role !== 'distance') ? 1 : -1",
  ]),
  ...of(
    'src/core/view/reach.ts',
    ['a distance point out of reach is never told', '!(served && isDistance(reach))', '!isDistance(reach)'],
    ['a fraction off the board counts as usable', "lieOf(view, usedAt).where !== 'off-board' &&", 'true &&'],
  ),
  ...of(
    'src/core/view/widest-set-out.ts',
    ['the left point falls off the board', 'Math.max(m + a * k, cv.x)', 'cv.x'],
    ['the straightedge reaches as if level', 'straightedge ** 2 - up ** 2', 'straightedge ** 2'],
  ),
  ...of('src/core/view/cone.ts', [
    'the cone takes no account of height',
    'Math.hypot(eye.lateral, eye.rise)',
    'Math.abs(eye.lateral)',
  ]),
  ...of('src/core/view/stand-at.ts', [
    'the frame slides the wrong way',
    'left: view.frame.left - by',
    'left: view.frame.left + by',
  ]),
  ...of('src/core/view/turn-plan.ts', ['a drag through nought swings the room', 'if (change > 45) change -= 90;', '']),
  ...of('src/core/view/edge-ticks.ts', [
    'what two ticks cost is their whole error',
    'TICK_ERROR_MM * Math.hypot(along, 1 - along)',
    'TICK_ERROR_MM',
  ]),
  ...of('src/core/view/warn-cone.ts', [
    'cropping makes a narrow frame wider',
    'left: Math.max(frame.left, -reach)',
    'left: -reach',
  ]),
  ...of('src/core/view/warn-eye-level.ts', ['faces behind the eye are warned of', 'near <= 0 || Math.max', 'Math.max']),
  ...of('src/core/view/vanishing-point.ts', [
    'lines recede the other way',
    "forward > 0 ? '+' : '-'",
    "forward < 0 ? '+' : '-'",
  ]),
  ...of('src/core/view/project-point.ts', [
    'what lies behind the eye is read off the picture',
    'return depth > 0 ? worldFromEye',
    'return depth !== 0 ? worldFromEye',
  ]),
  // The board.
  ...of(
    'src/interface/board/pose.ts',
    [
      'the horizon moves up when the sheet does',
      'horizonY: pose.horizonY - pose.pictureScale * (is.y - was.y)',
      'horizonY: pose.horizonY + pose.pictureScale * (is.y - was.y)',
    ],
    [
      'the plan slides under a moving eye',
      'planeY: pose.planeY + (pose.planScale * behindPlane) / N',
      'planeY: pose.planeY',
    ],
  ),
  ...of(
    'src/interface/board/motion.ts',
    ['a pointer at rest shows nothing new', 'under.resting = setTimeout(() => this.rest(under), REST_MS);', ''],
    ['handles stay where they were', "element.setAttribute('transform', transform);", ''],
  ),
  ...of('src/interface/board/paint.ts', [
    'hidden lines are drawn in a drag',
    "given.dragging && layer.role.layer === 'hidden'",
    "given.dragging && layer.role.layer === 'control'",
  ]),
  ...of('src/interface/board/pointed-at.ts', [
    'a line is pointed at under a corner',
    'corner || dragging || perspective.quick',
    'dragging || perspective.quick',
  ]),
  ...of('src/interface/board/use-pose.ts', [
    'the fit command stays where it is',
    '(at + 1) % fits.length',
    'Math.max(0, at)',
  ]),
  ...of('src/interface/board/kept-picture.ts', [
    'what stands still is painted each time',
    '(key !== this.key && now',
    '(key !== undefined && now',
  ]),
  ...of('src/interface/session/kept-state.ts', ['what was kept is mixed with what is', '}, true);', '});']),
  ...of('src/interface/frame/stage.ts', [
    'what lies beside the work follows it',
    "one.order === 'in-the-work'",
    'one.order !== null',
  ]),
  // Pencil strokes: the whole room from the plan.
  ...of(
    'src/core/construction/schools/measuring-points.ts',
    ['the vanishing points are swapped', "taken.vanishing('VR', at.vpRight,", "taken.vanishing('VR', at.vpLeft,"],
    ['lengths are laid off on the wrong side of the trace', 'behind: { x: 1, y: -1 },', 'behind: { x: -1, y: -1 },'],
  ),
  ...of(
    'src/core/construction/frame-points.ts',
    [
      'a fractional point is taken for the whole one',
      "return { runs: { by: 'point', mark, u: at }, parts };",
      "return { runs: { by: 'point', mark, u: at }, parts: 1 };",
    ],
    ['a point off the board is used as it is', 'return n;', 'return 1;'],
  ),
  ...of('src/core/construction/needed.ts', [
    'what nothing rests on is drawn all the same',
    'if (!made.some((id) => uses.has(id))) continue;',
    '',
  ]),
  ...of('src/core/construction/reach-place.ts', [
    'a mark is checked by a line ruled through itself',
    'if (!ruled || makes(ruled).usesMarks.includes(mark)) return null;',
    'if (!ruled) return null;',
  ]),
  ...of('src/core/construction/by-act.ts', [
    'errors of one act are counted twice',
    'if (actQ <= actP) j += 3;',
    'if (actQ < actP) j += 3;',
  ]),
  ...of('src/core/construction/told-finish.ts', [
    'the near and the far end change places',
    '(TOLD_MM * k) / Math.min(...depths)',
    '(TOLD_MM * k) / Math.max(...depths)',
  ]),
  ...of('src/core/construction/in-hand-order.ts', [
    'a crossing is marked before its line is ruled',
    'return [...sorted, ...crossings.map(({ one }) => one)];',
    'return [...crossings.map(({ one }) => one), ...sorted];',
  ]),
  ...of('src/core/drawing/place-labels.ts', [
    'names cover marks',
    'for (const { x, y } of marks) taken.put(',
    'for (const { x, y } of []) taken.put(',
  ]),
  ...of('src/interface/stages/draw/point-at-plan.ts', [
    'what is not drawn yet is pointed at',
    'marks.slice(0, step).flat()',
    'marks.flat()',
  ]),
  ...of('src/core/record/edits.ts', [
    'a piece taken out stays in the plans',
    'plans: plansOf(project.plans, (id) => id !== pieceId),',
    'plans: project.plans,',
  ]),
  ...of(
    'src/core/construction/desk.ts',
    ['a way may leave the board', 'this.onPlan.has(mark) || this.onBoard(this.machine.markAt(mark))', 'true'],
    [
      'a line may be longer than the straightedge',
      '> this.table.straightedgeMm) return false;',
      '> Infinity) return false;',
    ],
    ['a flat crossing costs no more than another', 'const FLAT_IN_MOVES = 1000;', 'const FLAT_IN_MOVES = 0;'],
  ),
  ...of('src/core/construction/pass.ts', [
    'a step comes before what it needs',
    'if (waits[next] === 0) free(next);',
    'if ((waits[next] ?? 0) <= 1) free(next);',
  ]),
  ...of(
    'src/core/construction/told.ts',
    [
      'away from a point is told as toward it',
      "return on ? (back ? 'both' : 'on') : back ? 'back' : 'neither';",
      "return on || back ? 'on' : 'neither';",
    ],
    [
      'a sentence names the mark after the one it means',
      "labels.get(mark) ?? '';",
      "[...labels.values()][[...labels.keys()].indexOf(mark) + 1] ?? '';",
    ],
  ),
  ...of('src/core/construction/whole-room.ts', [
    'the checks are dropped',
    'checks.push({ of, marks: [mark, again], allowMm });',
    '',
  ]),
  ...of(
    'src/core/construction/pencil-error.ts',
    ['a straightedge misses at one of its marks only', 'first + 1, 0, per);', 'first + 1, 0, 0);'],
    ['what rests on a flat crossing is not flat', 'if (this.flat.has(one.through)) this.flat.add(one.line);', ''],
  ),
  ...of('src/core/construction/acts.ts', [
    'figures are not rounded',
    'hand.rulerStepMm ** 2 / 12',
    '0 * hand.rulerStepMm',
  ]),
  ...of('src/core/construction/line-extent.ts', [
    'lines are drawn out to their points',
    "if (as === 'ruled-to' && points.has(mark) && ruled.has(line)) return;",
    '',
  ]),
  ...of('src/core/pipeline/targets.ts', [
    'what lies close together is measured all the same',
    'if (near.length > 0) return false;',
    '',
  ]),
  ...of('src/interface/pace.ts', [
    'words are told at one pace, whatever it costs',
    'lost ? everyMs * 2 : everyMs / 1.1',
    'everyMs',
  ]),
  ...of('src/workers/client.ts', [
    'what was asked ahead is asked again',
    'if (!known || known.heard || !sameQuestion(known.question, wanted))',
    'if (!known || known.heard || sameQuestion(known.question, wanted))',
  ]),
  ...of('src/core/visibility/carried-visible-lines.ts', [
    'what an edit brings is not drawn before the exact picture is there',
    'for (const index of edgesAfter?.fresh ?? []) put(index, 0, 1);',
    '',
  ]),
  // Ticks, inclined points, round things, and how they are told.
  ...of(
    'src/core/construction/ruler-to-points.ts',
    [
      'a tick is set on the wrong side of the horizon',
      '(trace.v * (to.u - this.edges[side]))',
      '(-trace.v * (to.u - this.edges[side]))',
    ],
    ['ticks are set for another point', '/ (to.u - trace.u);', '/ (to.u + trace.u);'],
  ),
  ...of('src/core/construction/reach-by-measure.ts', [
    'lengths of a fractional point are laid off whole',
    '/ (N * points.parts[axis]);\n    way.add',
    '/ N;\n    way.add',
  ]),
  ...of('src/core/construction/reach-place.ts', [
    'a line beyond the straightedge is given up',
    'this.cheapest(this.waysByTicks(place))',
    'null',
  ]),
  ...of('src/core/construction/frame-points.ts', [
    'ticks chosen in the set-out are not asked for',
    "if (aid?.by === 'ticks' || (!aid &&",
    'if ((!aid &&',
  ]),
  ...of(
    'src/core/construction/inclined.ts',
    ['lines that climb run to a point too near the horizon', '(k * run.z) / away)', '(0.9 * k * run.z) / away)'],
    ['two lines have a point of their own', 'LEAST_EDGES = 3', 'LEAST_EDGES = 2'],
  ),
  ...of('src/core/construction/measured-corner.ts', [
    'what is carried lies edge-on to the eye',
    'EDGE_ON = 0.02',
    'EDGE_ON = -1',
  ]),
  ...of(
    'src/core/construction/whole-room.ts',
    [
      'a curve touches lines that cross it',
      'const axis = run ? axisAlong(frame, run) : null;',
      "const axis = run && axisAlong(frame, run) ? 'z' : null;",
    ],
    ['a check that may miss by a hand is a check', 'MOST_TOLD_MM = 1;', 'MOST_TOLD_MM = 1000;'],
  ),
  ...of(
    'src/core/construction/told-finish.ts',
    ['firm lines are joined over what is hidden', 'from - last.to < PENCIL_MM', 'from - last.to < 20 * PENCIL_MM'],
    ['a curve left to the eye is told as straight', "round ? 'round' : run(", "false ? 'round' : run("],
  ),
  ...of('src/core/pipeline/round-targets.ts', [
    'a part that begins before a circle’s first point is lost',
    'const lift = closed && low < 0 ?',
    'const lift = closed && low > 0 ?',
  ]),
  // What is kept, and by whom.
  ...of(
    'src/persistence/project-store.ts',
    ['a tab that has lost the right writes', "if (pointer.writer !== writer) throw new SaveRefused('superseded');", ''],
    [
      'a save makes again what was removed',
      "if (!pointer) throw new SaveRefused('removed');",
      'if (!pointer) return NOTHING;',
    ],
    [
      'taking the right to write counts nothing up',
      'if (!pointer) return NOTHING;\n      writer = pointer.writer + 1;',
      'if (!pointer) return NOTHING;\n      writer = pointer.writer;',
    ],
    [
      'a clock turned back writes over a day gone by',
      'const same = latest?.name === name ? latest : undefined;',
      "const same = before.find((one) => one.by === 'day' && one.name === name);",
    ],
    [
      'what a newer build saved is opened at an earlier save',
      "if (await this.isNewer(id, kept)) return err({ reason: 'newer', message: NEWER });",
      '',
    ],
    [
      'a move of the desk counts as a change of the project',
      'this.known.get(id) === project ? before.changedIn : current',
      'current',
    ],
    ['days are kept for ever', '.slice(0, -KEPT_DAYS)', '.slice(0, 0)'],
    [
      'a project without a sound pointer hides',
      '{ id, name: id, savedAt: null, changedIn: 0, current: 0 }',
      "{ id, name: id, savedAt: '', changedIn: 0, current: 0 }",
    ],
  ),
  ...of(
    'src/persistence/keeper.ts',
    ['what a tab had not saved is thrown away as it takes over', 'await this.keepApart(unsaved);', ''],
    [
      'saved is said before what was saved elsewhere is there',
      "    await this.load();\n    if (lock.holds()) this.hears.status('saved', null);\n    return how;",
      "    this.hears.status('saved', null);\n    await this.load();\n    return how;",
    ],
  ),
  ...of('src/persistence/write-lock.ts', [
    'a tab lets go before it has saved',
    'void events.handingOver().then((allSaved) => {',
    'void Promise.resolve(true).then((allSaved) => {',
  ]),
  ...of('src/persistence/autosave.ts', [
    'a failed save is not tried again by itself',
    'this.flushAfter(AGAIN_MS[Math.min(this.failures, AGAIN_MS.length - 1)] ?? SILENT_MS);',
    '',
  ]),
  ...of('src/core/formats/project/schema.ts', ['figures have no most', '.max(most, boundsWords(BOUNDS[name]))', '']),
  ...of('src/state/transition.ts', [
    'what is dragged out of bounds is kept',
    'if (fault !== null) return refused({ ...state, ...NOTHING_IN_HAND }, fault);',
    '',
  ]),
  ...of('src/core/solids/surface.ts', [
    'a pattern of any number of rows is laid',
    'if (countOf(surface, sheet).rows <= MOST_MADE.rows) layOn(',
    'layOn(',
  ]),
  ...of('src/core/geometry/conic-through.ts', [
    'a round line bulges beyond its conic',
    'const weight = s / (1 - s);',
    'const weight = (1.1 * s) / (1 - s);',
  ]),
  ...of(
    'src/persistence/as-laid.ts',
    [
      'saves of another project are swept',
      'return found?.[1] === id && found[2] === what ?',
      'return found?.[1] && found[2] === what ?',
    ],
    ['a history that cannot be read is kept', 'history: past && future ?', 'history: past !== undefined ?'],
    ['layers forget that they were locked', 'locked: laid.locked === true', 'locked: laid.locked === null'],
  ),
  ...of(
    'src/server/print/threads.ts',
    [
      'a thread works for ever',
      "setTimeout(() => end({ kind: 'time-limit' }), this.limits.ms)",
      'setTimeout(() => undefined, this.limits.ms)',
    ],
    [
      'more threads than processors',
      "if (this.#running.size >= this.limits.threads) return Promise.resolve({ kind: 'busy' });",
      '',
    ],
    ['a process too large ends nobody', 'if (this.held() > this.limits.processBytes)', 'if (this.held() < 0)'],
  ),
  ...of(
    'src/server/print/receive.ts',
    ['another site prints', "new URL(origin).host !== headers.get('host')", 'false'],
    ['an endless body is read to its end', 'if (length > most.bytes) {', 'if (length > most.bytes * 100) {'],
  ),
  ...of('src/server/policy/policy.ts', [
    'any inline script runs',
    "script-src 'self'\"",
    "script-src 'self' 'unsafe-inline'\"",
  ]),
  ...of(
    'src/app/backup.ts',
    ['what is here already comes a second time', 'if (await isHere(store, entry)) {', 'if (!entry) {'],
    ['what was taken away is said to be only here', 'away.save >= changedIn', 'away.save > changedIn'],
  ),
  ...of('src/app/build-in-use.ts', [
    'a newer build does not wait for a tab that says it is there',
    "if (data.is === 'here') open.add(data.tab);",
    '',
  ]),
  ...of('src/core/formats/project/read-project.ts', [
    'a piece that is not sound is read in steps',
    'const read: object = THING_SCHEMAS.pieces.validateSync(piece, STRICTLY);',
    'const read = piece as object;',
  ]),
  ...of('src/core/visibility/seams.ts', [
    'flush faces that touch count as apart',
    'a[0] > b[3] + tolerance.touchMm',
    'a[0] > b[3] - tolerance.touchMm',
  ]),
  ...of('src/workers/serve-lines.ts', [
    'a worker says nothing while it makes a room ready',
    'progress: () => waiting.forEach((tell) => tell()),',
    'progress: () => undefined,',
  ]),
  // Large rooms.
  ...of('src/core/solids/kind.ts', [
    'pieces of other numbers of things pass for alike',
    '    piece.counts,\n    piece.choices,\n    Object.entries(piece.divisions)',
    '    piece.choices,\n    Object.entries(piece.divisions)',
  ]),
  ...of('src/core/solids/copies.ts', [
    'faces of a copy lie where those of its model do',
    'offset: face.offset + dot3(face.normal, moved),',
    'offset: face.offset,',
  ]),
  ...of('src/core/visibility/crossings.ts', [
    'joints of a copy bear the names of its model',
    'const own = (id: Id): PreparedFace => body.faces[place.get(id) ?? -1]!;',
    'const own = (id: Id): PreparedFace => ready.faces[place.get(id) ?? -1]!;',
  ]),
  ...of('src/core/visibility/flat-and-round.ts', [
    'what holds on a stretch is asked in its middle, where it may graze',
    'const ASIDE = 0.381966;',
    'const ASIDE = 0.5;',
  ]),
  ...of('src/core/visibility/carried-visible-lines.ts', [
    'a piece that came is not seen until the exact picture is there',
    'for (; j < nextJ; j += 1) fresh.push(j);',
    'for (; j < nextJ; j += 1) continue;',
  ]),
  ...of('src/core/solids/contradictions.ts', [
    'what a piece contradicts is told in the units of before',
    'const by = [spaces, levels, units, fractions, rulerStepMm];',
    'const by = [spaces, levels];',
  ]),
  ...of('src/core/solids/contradictions-in-space.ts', [
    'a piece goes through a wall where an opening was',
    'project.spaces, project.levels, project.openings, project.units,',
    'project.spaces, project.levels, project.units,',
  ]),
  ...of('src/core/record/place.ts', [
    'pieces stay where they stood when the walls move',
    'if (known?.among === project.spaces) return known.is;',
    'if (known) return known.is;',
  ]),
  ...of('src/workers/serve-lines.ts', [
    'a room told from another is taken for whole',
    'const known = after === null || kept?.revision === after;',
    'const known = after !== kept;',
  ]),
  ...of('src/core/formats/project/references.ts', [
    'the same id twice passes',
    'known.size === known.add(id).size',
    'known.add(id).size < known.size',
  ]),
  ...of('src/core/pipeline/print-job.ts', [
    'a print of any number of pages is made',
    'if (tile && cut > MOST_MADE.pages)',
    'if (tile && cut > Infinity)',
  ]),
  ...of('src/core/solids/grid.ts', [
    'a grid too fine for walls is not told',
    'const upright = choice.walls ?',
    'const upright = !choice.walls ?',
  ]),
  ...of(
    'src/core/drawing/settle-words.ts',
    [
      'a word may cover a mark',
      'for (const { x, y } of marks) taken.put(grown({ left: x, right: x, low: y, high: y }, MARK_MM));',
      '',
    ],
    ['what was placed takes no room', 'for (const box of found?.fills ?? []) taken.put(box);', ''],
  ),
  ...of('src/core/drawing/table-pages.ts', [
    'true heights are told from the sheet’s edge at scale',
    'const up = height ? both(row.overGround) : both(row.up);',
    'const up = both(row.up);',
  ]),
  ...of('src/core/formats/pdf/write-pdf.ts', [
    'small figures stand on the line',
    'word.y + word.heightMm * SET[run.stands].rise',
    'word.y',
  ]),
  ...of(
    'src/core/solids/through-walls.ts',
    ['a wall goes on beyond its ends', 'part = keepWhere(part, (p) => run.lengthMm - p.along);', ''],
    [
      'what stands in another part of the room goes through a wall',
      'return near <= LEAST_REACH_MM && deep',
      'return deep',
    ],
  ),
  ...of(
    'src/core/solids/contradictions-at-openings.ts',
    ['a leaf swings away from where it swings', 'back + radius * Math.sin(turn)', 'back - radius * Math.sin(turn)'],
    ['a window may be covered', 'return over > COVERED', 'return over > COVERED * 5'],
    ['a way out is offered through a wall', 'if (throughWalls(project, space, moved).size > 0 || meets', 'if (meets'],
  ),
  ...of('src/core/solids/contradictions-of-rooms.ts', [
    'rooms of other levels are held against each other',
    'if (one.levelId !== other.levelId) return [];',
    '',
  ]),
  ...of(
    'src/core/pipeline/stand-warnings.ts',
    [
      'a way out of the room is not told',
      'inARoom(project, view.station) && !inARoom(changed, then.station)',
      'inARoom(project, view.station) && inARoom(changed, then.station)',
    ],
    [
      'pieces outside the cone are each a matter of their own',
      'message: `${first.message}${told}`, also }, ...others];',
      'message: `${first.message}${told}`, also }, ...pieces];',
    ],
  ),
  ...of('src/core/view/project-many.ts', [
    'what touches the frame is drawn',
    'if (to - from < tolerance.touchShare) continue;',
    'if (from > to) continue;',
  ]),
  ...of('src/core/formats/tables/write-set-out.ts', [
    'the spread is told from the centre',
    'figure(right.at.u - left.at.u)',
    'figure(right.at.u)',
  ]),
  ...of(
    'src/core/record/laid-aside.ts',
    ['a ring laid aside comes back when its figures change', 'const SAME_MM = 1;', 'const SAME_MM = 1000;'],
    ['a ring laid aside in one view stands in another', ' && one.viewId === other.viewId;', ';'],
  ),
  ...of('src/core/record/without-gone.ts', [
    'rings go with the thing they were about',
    '(about === null || findThing(project, about) !== null) &&',
    '',
  ]),
  ...of('src/core/record/stand-by-rule.ts', [
    'a view put by hand stays',
    "if (view.standsBy !== 'rule') return view;",
    '',
  ]),
  ...of('src/core/record/edits.ts', [
    'whoever frames a view puts it by hand',
    "'frame',\n  'centreOfVisionOnSheet',",
    "'centreOfVisionOnSheet',",
  ]),
  ...of('src/core/record/piece-checks.ts', [
    'what was measured to a corner stays as checks',
    'checks: [...one.checks, ...checks],',
    'checks: one.checks,',
  ]),
  ...of('src/core/view/seen-in.ts', [
    'a view never leaves out its own room',
    'id !== own && (view.spacesAside',
    '(view.spacesAside',
  ]),
  ...of('src/core/solids/kind.ts', [
    'parts are clear of as many boards as there are',
    'known.whole(values, parts.length)',
    'known.whole(values, 1)',
  ]),
  ...of(
    'src/core/solids/surface.ts',
    ['a pattern keeps its sizes up a slope', 'const longer = Math.hypot(1, steep);', 'const longer = 1;'],
    [
      'strips instead of tiles are told',
      "surface.bond !== 'square' && joints > MOST_MADE.joints",
      'false && joints > MOST_MADE.joints',
    ],
  ),
  ...of('src/core/solids/grid.ts', [
    'a quarter of a square is written as three',
    'QUARTERS[rest / (DECIMALS / 4)]',
    'QUARTERS[4 - rest / (DECIMALS / 4)]',
  ]),
  ...of('src/core/pipeline/elevation.ts', [
    'an elevation shows its own room only',
    "if (body.kind !== 'piece' || !here.has(body.id)) continue;",
    "if (body.kind !== 'piece') continue;",
  ]),
  ...of('src/core/pipeline/finder/candidates.ts', [
    'the finder is held to square on',
    "if (heldTo === 'one-point') return 0;",
    '',
  ]),
  ...of('src/interface/stages/measure/pose.ts', [
    'an elevation that does not hang under the plan stands by itself',
    'dot2(pose.right, axes.right) > 1 - 1e-9',
    'dot2(pose.right, axes.right) > -2',
  ]),
  ...of('src/interface/board/shared-rings.ts', [
    'a ring within another keeps its own',
    ' || holds(a, b) || holds(b, a)',
    '',
  ]),
  ...of(
    'src/core/visibility/seen-through.ts',
    ['what lies beside a room shows', 'room !== undefined && !homes.includes(room);', 'room !== undefined && false;'],
    [
      'a room that is beside hides what is seen',
      'beside[f] === true && !sights.some((pyramid) => reachesInto(one, pyramid)) ? 0 : 1',
      '1',
    ],
    [
      'a line is seen before its opening begins',
      'const [a, b] = [Math.max(from, low), Math.min(to, high)];',
      'const [a, b] = [from, Math.min(to, high)];',
    ],
  ),
  ...of(
    'src/core/solids/bodies.ts',
    ['a piece belongs to the room it was measured from', '(around.length > 0 ? around : measured)', 'measured'],
    ['walls that are left out are drawn', '&& space.bare !== true', ''],
  ),
  ...of(
    'src/core/drawing/crowded.ts',
    ['a crowd has one lighter pen only', "gap < EDGE_MM.crowded ? 'dense' : ", ''],
    ['outermost lines are thinned', 'const gap = Math.max(left, right);', 'const gap = Math.min(left, right);'],
  ),
  ...of('src/core/construction/beside-sheet.ts', [
    'marks to the sides of the sheet are not told',
    'off(centreOnSheet.x + u, sheet.width) ||',
    '',
  ]),
  ...of('src/core/view/turn-to-vanish.ts', [
    'a piece is turned the wrong way',
    'Math.atan2(to, k) - Math.atan2(from, k)',
    'Math.atan2(from, k) - Math.atan2(to, k)',
  ]),
  ...of('src/core/solids/outline-check.ts', ['a hole may lie in a hole', '|| holds(a, b) || holds(b, a)', '']),
  ...of('src/core/record/stand-by-rule.ts', [
    'without walls one stands before the room',
    "view.walls === 'left-out' && piece.levelId",
    "view.walls === 'drawn' && piece.levelId",
  ]),
  ...of('src/core/solids/carve.ts', ['a face against another is kept', '      if (same === -1) return [];\n', '']),
  ...of('src/core/solids/carve.ts', [
    'a face two views share is there twice',
    'const shared = i < j ?',
    'const shared = i < 0 ?',
  ]),
  ...of('src/core/solids/carve.ts', [
    'sides within a face are kept',
    'if (!halves.delete(`${end} ${start}`)) halves',
    'halves',
  ]),
  ...of('src/core/solids/kinds/worktop.ts', [
    'the sink lies over the next unit',
    'at(units, sink - 1)',
    'at(units, sink)',
  ]),
  ...of('src/core/solids/kinds/helpers.ts', [
    'corners and edges are rounded at once',
    'if (corner > 0 && edge > 0) return',
    'if (corner > 0 && edge > 99) return',
  ]),
  ...of('src/core/solids/kinds/chest-of-drawers.ts', [
    'drawers of a chest on castors are as high as on its plinth',
    'v.height - footOf(v) - 2 *',
    "v.height - v.size('plinth height') - 2 *",
  ]),
  ...of('src/core/solids/openings/curtains.ts', ['both curtains hang to one side', 'mirrored ? -x : x', 'x']),
  ...of('src/core/solids/surface.ts', ['more lights than asked for', 'Math.min(n, perRow || Infinity)', 'n']),
  ...of('src/core/solids/surface.ts', [
    'the last line of a light lies on its edge',
    '(breadth * k) / (innerLines + 1)',
    '(breadth * k) / innerLines',
  ]),
  ...of('src/core/formats/project/migrations.ts', [
    'what an older file said of a size is forgotten',
    'missing.map(([name, mm])',
    'usual.map(([name, mm])',
  ]),
  ...of('src/core/visibility/polygons.ts', [
    'a door stays where its wall was taken away',
    '(own.length > 0 ? own : among)',
    'among',
  ]),
  ...of('src/core/pipeline/stand-warnings.ts', [
    'what stands behind a shut door is warned of',
    'scene.bodies.filter((body) => ofOwnRoom(setUp, body) || seen.has(body.id))',
    'scene.bodies.filter((body) => ofOwnRoom(setUp, body) || seen.size > 0)',
  ]),
  ...of('src/core/view/warn-edge-on.ts', [
    'a shallow face far away is a coincidence',
    'needed > MOST_ASIDE * nearest(setUp, body, face)',
    'needed > 99 * nearest(setUp, body, face)',
  ]),
  ...of('src/core/view/warn-edge-on.ts', [
    'a book is edge-on',
    'LEAST_PART * sizeOnPaper(setUp, body)',
    '0 * sizeOnPaper(setUp, body)',
  ]),
  ...of('src/interface/stages/measure/paint.ts', [
    'windows of another storey are in the plan',
    '!body.homes.some((id) => roomsHere.has(id))',
    'false',
  ]),
  ...of('src/interface/stages/measure/paint.ts', [
    'a door opens one of its walls only',
    'one.throughWallId === run.wall.id',
    "one.throughWallId === '?'",
  ]),
  ...of('src/core/visibility/scene.ts', [
    'seams are hidden though wished',
    "closed && body.seams !== 'shown' ?",
    'closed ?',
  ]),
  ...of('src/core/solids/volumes.ts', [
    'a cut block takes up its foot only',
    '      return cutColumns(part)',
    '      return cutColumns(part).slice(0, 1)',
  ]),
  ...of('src/core/pipeline/finder/find-stations.ts', [
    'where one stands is not judged',
    'const now = judge(project, view, {}, scene, alone, asked.marked)?.score ?? null;',
    'const now = null;',
  ]),
  ...of('src/core/construction/plan-sheet.ts', [
    'corners of the plan lie before the picture plane',
    'picturePoint(aside / N, (depth - d) / N)',
    'picturePoint(aside / N, (depth + d) / N)',
  ]),
  ...of('src/core/construction/needed.ts', [
    'a strip carries what nothing is drawn from',
    'given.marks.filter(([mark]) => uses.has(mark))',
    'given.marks.slice()',
  ]),
  ...of('src/core/construction/line-between.ts', [
    'a line of the plan joins marks of the picture',
    '!desk.onPlan.has(id) && through(drawn)',
    'through(drawn)',
  ]),
  ...of('src/core/construction/label.ts', [
    'a cut does not bear the number it is carried to',
    'labels.set(of, `C${own}`)',
    'labels.set(of, `C${own}x`)',
  ]),
  ...of('src/core/construction/marks-list.ts', [
    'marks of the plan are counted from the picture’s zero',
    "const from = placed.paper === 'plan' ? planAt : null;",
    'const from = null;',
  ]),
  ...of('src/core/construction/came-out-wrong.ts', [
    'the first mark is taken for the farthest',
    'if (mm > (farthest?.mm ?? 0)) farthest = { mark: end, mm };',
    'farthest ??= { mark: end, mm };',
  ]),
  ...of('src/core/construction/came-out-wrong.ts', [
    'what rests on a wrong mark is not drawn again',
    '(own === mark || moved(own)) && isDrawn(own)',
    'own === mark && isDrawn(own)',
  ]),
  ...of('src/core/drawing/step-cards.ts', [
    'a card has more lines than room',
    'most(continued ? 1 : TEXT_SHARE)',
    'most(continued ? 1.3 : 1.2)',
  ]),
  ...of('src/core/drawing/step-figure.ts', [
    'figures show what is not drawn yet',
    'this.strokes.slice(0, number - 1).flat()',
    'this.strokes.slice(0, number + 3).flat()',
  ]),
  ...of('src/core/drawing/construction-layer.ts', [
    'lines of the plan are printed on the sheet',
    ".filter(({ of }) => paper.lines.get(of)?.paper !== 'plan')",
    '',
  ]),
  ...of('src/core/solids/ceilings/sloped.ts', [
    'a slope over nothing is worked out',
    'wall && farthestFrom(wall, outline) < tolerance.closingMm',
    'false',
  ]),
  ...of('src/core/drawing/plan-change.ts', [
    'what lies a little off is right',
    'if (byMm > PENCIL_LINE_MM)',
    'if (byMm > 2 * PENCIL_LINE_MM)',
  ]),
  ...of('src/core/drawing/plan-change.ts', [
    'what is open in the middle of a line is not seen',
    '[...own.flat(), ...open]',
    '[...own.flat()]',
  ]),
  ...of('src/core/construction/coordinates.ts', [
    'names depend on where one stands',
    'figureName(value + this.from)',
    'figureName(value)',
  ]),
  ...of('src/core/construction/still-to-draw.ts', [
    'lines that lead to what is still to be drawn are left out',
    'for (const id of [...usesMarks, ...usesLines]) want(id);',
    'for (const id of usesMarks) want(id);',
  ]),
  ...of('src/core/formats/frozen/frozen-plan.ts', [
    'what is still to be drawn is passed over',
    'change.kept.has(id) || still.strokes.has(id) ? [] : [id]',
    'change.kept.has(id) ? [] : [id]',
  ]),
  ...of('src/core/construction/whole-room.ts', [
    'what its own frame does not lead to is left out',
    'for (const one of [frame, ...others]) {\n      const mark = reachers.get(one)?.reach(',
    'for (const one of [frame, ...others].slice(0, 1)) {\n      const mark = reachers.get(one)?.reach(',
  ]),
  ...of('src/core/construction/reach-by-grid.ts', [
    'heights come from the wall that is farthest',
    'told.sort((a, b) => a.off - b.off)',
    'told.sort((a, b) => b.off - a.off)',
  ]),
  ...of('src/core/construction/reach-by-squares.ts', [
    'a part of a square is laid off too long',
    'through: [laid(part), vanishing]',
    'through: [laid(part * 1.02), vanishing]',
  ]),
  ...of('src/core/construction/reach-by-diagonals.ts', [
    'intervals are measured, not repeated',
    'return this.repeated(axis, count);',
    'return this.measureWhole(axis, count);',
  ]),
  ...of('src/core/view/sheet-corner.ts', [
    'a back wall stands for another station',
    '(widthOf(frame) - widthMm)',
    '(widthOf(frame) + widthMm)',
  ]),
  ...of('src/core/construction/dropped.ts', [
    'a drop passes what stays',
    'return !firm.some((line) => crossesDrop(line, u, v, planAt.v));',
    'return !firm.some((line) => crossesDrop(line, u, planAt.v, v));',
  ]),
  ...of('src/core/construction/plan-sheet.ts', [
    'heights of the elevation are of another scale',
    'picturePoint(this.reach / N + BESIDE_MM, above / N)',
    'picturePoint(this.reach / N + BESIDE_MM, above / (N + 1))',
  ]),
  ...of('src/workers/client.ts', [
    'who waits for lines is passed over by what is asked ahead',
    '(asked && sameQuestion(asked.question, question) ? undefined : begin(question, null))',
    'begin(question, null)',
  ]),
  ...of('src/core/record/edits.ts', [
    'a size within a thing is not found',
    'for (const part of Object.values(value)) collectSizes(part, into);',
    'for (const part of Object.values(value).slice(0, -1)) collectSizes(part, into);',
  ]),
  ...of('src/core/drawing/grid-layer.ts', [
    'the grid is counted from a room one does not draw',
    '[...(room ? [room] : []), ...project.spaces.filter((one) => one !== room)]',
    '[...project.spaces.filter((one) => one !== room), ...(room ? [room] : [])]',
  ]),
  ...of('src/core/construction/reach-by-sheet-corners.ts', [
    'the back wall is drawn of another size',
    'share: d / (d + section.backWall)',
    'share: d / (d + 2 * section.backWall)',
  ]),
  ...of('src/core/construction/judged-steps.ts', [
    'what is judged closes up a width',
    'const OF_A_GAP = 1 / 4',
    'const OF_A_GAP = 1',
  ]),
  ...of('src/core/construction/judged-steps.ts', [
    'what is round loses its shape to a judged step',
    'wanted.filter((one) => one.keepsShape)',
    'wanted.filter((one) => !one.keepsShape)',
  ]),
  ...of('src/core/construction/reach-by-measure.ts', [
    'what is measured at its own height lies at half of it',
    'const zero = this.heightOn(way, foot, `${foot}/heights`, foot, place.z);',
    'const zero = this.heightOn(way, foot, `${foot}/heights`, foot, place.z / 2);',
  ]),
  ...of('src/core/pipeline/grid-at-hand.ts', [
    'a wall askew has no level lines',
    '...onAskew.filter(isDrawn)',
    '...onAskew.slice(0, 0)',
  ]),
  ...of('src/core/construction/told-measures.ts', [
    'up is told as to the right',
    'Math.abs(du) > tolerance.touchMm && Math.abs(du) >= Math.abs(dv)',
    'Math.abs(du) >= 0',
  ]),
];
