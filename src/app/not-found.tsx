'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';

/** An address that leads nowhere, or names no stage. */
export default function NotFound() {
  return (
    <Box component="main" sx={{ maxWidth: 620, mx: 'auto', px: 3, py: 8, fontSize: 18 }}>
      <Box component="h1" sx={{ fontSize: 24, fontWeight: 500, m: 0, mb: 1 }}>
        This page could not be found
      </Box>
      The address names no page, no project or no stage. What is kept in this browser is untouched.
      <Box sx={{ mt: 2 }}>
        <Button variant="contained" href="/">
          All projects
        </Button>
      </Box>
    </Box>
  );
}
