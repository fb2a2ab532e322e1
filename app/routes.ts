import { index, route, type RouteConfig } from '@react-router/dev/routes';

/** One file per stage of the work. */
export default [
  index('routes/home.ts'),
  route('basket', 'routes/basket.tsx'),
  route('basket/:pieceId', 'routes/basket-piece.tsx'),
  route('basket/:pieceId/stain', 'routes/basket-stain.tsx'),
  route('treat', 'routes/treat.tsx'),
  route('hamper.json', 'routes/hamper-download.ts'),
  route('sort', 'routes/sort.tsx'),
  route('sort/insights/:planId', 'routes/sort-insights.ts'),
  route('plan.json', 'routes/plan-download.ts'),
  route('wash', 'routes/wash.tsx'),
  route('loads/:loadId', 'routes/ticket.tsx'),
  route('loads/:loadId/what-if', 'routes/what-if.tsx'),
  route('log', 'routes/log.tsx'),
  route('pieces/new', 'routes/piece-new.tsx'),
  route('pieces/:pieceId', 'routes/piece.tsx'),
  route('pieces/:pieceId/treatments.txt', 'routes/treatments-text.ts'),
  route('label', 'routes/label.tsx'),
  route('household', 'routes/household.tsx'),
  route('household/programmes/:washerId/:programmeId', 'routes/programme.tsx'),
  route('household/products/:productId', 'routes/product.tsx'),
  route('*', 'routes/not-found.tsx'),
] satisfies RouteConfig;
