'use client';
import { useState } from 'react';
import { useStore } from 'zustand';
import Box from '@mui/material/Box';
import { err, ok, type Result } from '@/core/base';
import { ORDER_WORDS, ORDERS } from '@/core/construction';
import { CARDS_PER_PAGE, type CardsPerPage } from '@/core/drawing';
import { CARD_PAPER_NAMES, type PlanPrint, type PrintPart } from '@/core/pipeline';
import { Choice, TypedField, type FieldFault } from '@/interface/fields';
import { useServices } from '@/interface/services';
import { useSession } from '@/interface/session';

/** So many passes an underlay has to begin with, where one is at the plan's beginning. */
const USUAL_UNDERLAY = 20;
const MOST_STEPS = 9999;

const PER_PAGE_WORDS: Readonly<Record<CardsPerPage, string>> = { 1: 'one', 2: 'two', 4: 'four' };
/** Parts that are made from the plan. */
const PLANNED: readonly PrintPart[] = ['overview', 'plan', 'underlay', 'cards', 'marks'];

/** How pages of the plan are made: in the order one works in, at one's own pace, up to the step one is at. */
export function usePlanPrint(): readonly [PlanPrint, (next: PlanPrint) => void] {
  const { store, project, view } = useSession();
  const { tools } = useServices();
  const order = useStore(store, (state) => state.desk.order ?? ORDERS[0] ?? 'by-piece');
  const step = useStore(store, (state) => state.desk.steps[view.id] ?? 1);
  const [chosen, setChosen] = useState<Partial<PlanPrint>>({});
  const plan: PlanPrint = {
    ...{ order, pace: tools.pace, underlay: step > 1 ? step : USUAL_UNDERLAY },
    cards: { paper: project.units === 'imperial' ? 'letter' : 'A4', perPage: 2 },
    ...chosen,
  };
  return [plan, setChosen];
}

function readSteps(text: string): Result<number, FieldFault> {
  const steps = Number(text.trim());
  return Number.isInteger(steps) && steps >= 1 && steps <= MOST_STEPS
    ? ok(steps)
    : err({ message: `“${text.trim()}” is no number of a step. Write a whole number from 1, as 20.` });
}

/** What is to be said of pages of the plan, where some are printed. */
export function PlanPrintWords({
  parts,
  plan,
  setPlan,
}: {
  readonly parts: readonly PrintPart[];
  readonly plan: PlanPrint;
  readonly setPlan: (next: PlanPrint) => void;
}) {
  if (!parts.some((part) => PLANNED.includes(part))) return null;
  const { cards } = plan;
  return (
    <Box component="p" sx={{ m: 0, mb: 1, lineHeight: 1.5 }}>
      The plan{' '}
      <Choice
        label="Order of the printed plan"
        value={plan.order}
        options={ORDERS.map((order) => ({ value: order, words: ORDER_WORDS[order] }))}
        onChange={(order) => setPlan({ ...plan, order })}
      />
      {parts.includes('cards') ? (
        <>
          ; cards on{' '}
          <Choice
            label="Paper of the step cards"
            value={cards.paper}
            options={CARD_PAPER_NAMES.map((name) => ({ value: name, words: name }))}
            onChange={(paper) => setPlan({ ...plan, cards: { ...cards, paper } })}
          />
          ,{' '}
          <Choice
            label="Cards on one page"
            value={String(cards.perPage)}
            options={CARDS_PER_PAGE.map((count) => ({ value: String(count), words: PER_PAGE_WORDS[count] }))}
            onChange={(count) =>
              setPlan({
                ...plan,
                cards: { ...cards, perPage: CARDS_PER_PAGE.find((one) => String(one) === count) ?? 2 },
              })
            }
          />{' '}
          a page
        </>
      ) : null}
      {parts.includes('underlay') ? (
        <>
          ; the underlay up to step{' '}
          <TypedField
            label="Steps on the underlay"
            shown={String(plan.underlay)}
            hint="A whole number from 1"
            read={(text) => {
              const steps = readSteps(text);
              return steps.ok ? ok(() => setPlan({ ...plan, underlay: steps.value })) : steps;
            }}
          />
        </>
      ) : null}
      .
    </Box>
  );
}
