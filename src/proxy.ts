import { NextResponse } from 'next/server';
import { pagePolicy } from '@/server/policy';

/** Every page and file carries the policy; prints carry their own (next.config.ts), so that their bodies are not read here. */
export function proxy(): NextResponse {
  const response = NextResponse.next();
  response.headers.set('content-security-policy', pagePolicy());
  return response;
}
export const config = { matcher: ['/((?!api/print$).*)'] };
