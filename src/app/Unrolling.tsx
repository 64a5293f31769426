import Box from '@mui/material/Box';

/** While a project is read. */
export const Unrolling = () => <Box sx={{ p: 4, fontSize: 18 }}>Unrolling the sheet …</Box>;
