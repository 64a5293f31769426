'use client';
import Box from '@mui/material/Box';
import { ORDER_WORDS, ORDERS, timeWords } from '@/core/construction';
import { useLook } from '@/interface/theme';
import { minutesOf, type Drawn } from './use-drawing';

/** Both orders with what they cost, so that the choice is informed. */
export function Orders({ desk }: { readonly desk: Drawn }) {
  const { look } = useLook();
  const { drawn, pace } = desk;
  if (!drawn) return null;
  return (
    <Box role="group" aria-label="Order of the work" sx={{ mb: 1, fontSize: 14.5 }}>
      {ORDERS.map((order) => {
        const here = order === drawn.order;
        return (
          <Box
            key={order}
            component="button"
            type="button"
            aria-pressed={here}
            onClick={() => desk.chooseOrder(order)}
            sx={{
              all: 'unset',
              cursor: 'pointer',
              display: 'block',
              minHeight: 26,
              color: here ? look.ink : look.text,
              '& span:first-of-type': here ? { textDecoration: 'underline', textUnderlineOffset: 4 } : {},
              '&:focus-visible': { outline: `2px solid ${look.ink}` },
            }}
          >
            <span>{ORDER_WORDS[order]}</span>
            <span>
              {`: ${drawn.planned.plans[order].counts.moves} moves, ${timeWords(minutesOf(drawn.planned, order, pace))}`}
            </span>
          </Box>
        );
      })}
    </Box>
  );
}
