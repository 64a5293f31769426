'use client';
import { capital } from '@/core/base';
import { memo } from 'react';
import Box from '@mui/material/Box';
import { SCHOOLS } from '@/core/construction';
import { PLAN_BEGINS, SCHOOL_NAMES, USUAL_WAY, type PlanBegin, type PlanWay } from '@/core/record';
import { Choice } from '@/interface/fields';
import { useSession } from '@/interface/session';

const BEGIN_WORDS: Readonly<Record<PlanBegin, string>> = { footprint: 'the footprint', crate: 'the crate' };

const SCHOOL_OPTIONS = SCHOOL_NAMES.map((name) => ({ value: name, words: SCHOOLS[name].words }));
const BEGIN_OPTIONS = PLAN_BEGINS.map((begin) => ({ value: begin, words: BEGIN_WORDS[begin] }));

/** How the view is drawn, and the piece at hand where it is drawn otherwise; it has nothing to do with the step. */
export const WaySentence = memo(function WaySentence() {
  const { project, view, chosen, commands, readOnly } = useSession();
  const plan = project.plans.find((one) => one.viewId === view.id) ?? { ...USUAL_WAY, pieces: [] };
  const piece = project.pieces.find((one) => one.id === chosen);
  const own = plan.pieces.find((one) => one.pieceId === chosen);
  const choose = (way: Partial<PlanWay>): void =>
    commands.change('Choose how the view is drawn', { kind: 'choose-plan-way', viewId: view.id, way });
  const chooseFor = (pieceId: string, name: string, way: PlanWay | null): void =>
    commands.change(`Choose how ${name} is drawn`, { kind: 'choose-piece-way', viewId: view.id, pieceId, way });
  return (
    <Box component="div" sx={{ mb: 1, fontSize: 14.5, lineHeight: 1.5 }}>
      <Box component="p" sx={{ m: 0 }}>
        Depth{' '}
        <Choice
          label="How depth is spaced"
          value={plan.school}
          options={SCHOOL_OPTIONS}
          disabled={readOnly}
          onChange={(school) => choose({ school })}
        />
        ; each piece begins with{' '}
        <Choice
          label="What pieces are begun with"
          value={plan.begin}
          options={BEGIN_OPTIONS}
          disabled={readOnly}
          onChange={(begin) => choose({ begin })}
        />
        .
      </Box>
      {piece ? (
        <Box component="p" sx={{ m: 0 }}>
          {capital(piece.name)}:{' '}
          <Choice
            label={`How ${piece.name} is drawn`}
            value={own ? 'otherwise' : 'as-the-rest'}
            options={[
              { value: 'as-the-rest', words: 'as the rest' },
              { value: 'otherwise', words: 'otherwise' },
            ]}
            disabled={readOnly}
            onChange={(which) =>
              chooseFor(
                piece.id,
                piece.name,
                which === 'otherwise'
                  ? { school: plan.school, begin: plan.begin === 'crate' ? 'footprint' : 'crate' }
                  : null,
              )
            }
          />
          {own ? (
            <>
              ,{' '}
              <Choice
                label={`How depth is spaced for ${piece.name}`}
                value={own.school}
                options={SCHOOL_OPTIONS}
                disabled={readOnly}
                onChange={(school) => chooseFor(piece.id, piece.name, { ...own, school })}
              />
              , beginning with{' '}
              <Choice
                label={`What ${piece.name} is begun with`}
                value={own.begin}
                options={BEGIN_OPTIONS}
                disabled={readOnly}
                onChange={(begin) => chooseFor(piece.id, piece.name, { ...own, begin })}
              />
            </>
          ) : null}
          .
        </Box>
      ) : null}
    </Box>
  );
});
