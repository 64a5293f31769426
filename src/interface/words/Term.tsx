'use client';
import Tooltip from '@mui/material/Tooltip';
import { useLook } from '@/interface/theme';
import { TRADE_TERMS } from './trade-terms';

/** A term of the trade, explained when one points at it or comes to it by key. */
export function Term({ children, of }: { readonly children: string; readonly of?: string }) {
  const { look } = useLook();
  const means = TRADE_TERMS.find((one) => one.term === (of ?? children))?.means ?? '';
  return (
    <Tooltip title={means} placement="right" arrow={false}>
      <span tabIndex={0} style={{ borderBottom: `1px dashed ${look.faint}`, cursor: 'help' }}>
        {children}
      </span>
    </Tooltip>
  );
}
