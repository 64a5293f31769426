import { printProject } from './print-project';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

export const POST = (request: Request): Promise<Response> => printProject(request, () => performance.now(), new Date());
