import type { Routes, UrlMatchResult, UrlSegment } from '@angular/router';

/** `worksheet/:jobId` with or without its stage: one route, so that the worksheet stays as it is when its stage changes. */
function worksheetUrl(url: UrlSegment[]): UrlMatchResult | null {
  const [place, jobId, stage, ...beyond] = url;
  if (place?.path !== 'worksheet' || jobId === undefined || beyond.length > 0) return null;
  return { consumed: url, posParams: stage === undefined ? { jobId } : { jobId, stage } };
}

/** One lazy route per place. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: 'Today · Gold Peg', loadComponent: () => import('./today/today').then((place) => place.Today) },
  { path: 'today/hours', title: 'Hours · Gold Peg', loadComponent: () => import('./hours/hours-page').then((place) => place.HoursPage) },
  {
    path: 'today/kept',
    title: 'Promises kept · Gold Peg',
    loadComponent: () => import('./kept/kept-page').then((place) => place.KeptPage),
  },
  { path: 'register', title: 'Register · Gold Peg', loadComponent: () => import('./register/register').then((place) => place.Register) },
  {
    path: 'register/new',
    title: 'New instrument · Gold Peg',
    loadComponent: () => import('./register/new-instrument').then((place) => place.NewInstrument),
  },
  { path: 'register/due', title: 'Due · Gold Peg', loadComponent: () => import('./register/due-list').then((place) => place.DueList) },
  { path: 'register/log', title: 'Log · Gold Peg', loadComponent: () => import('./register/log-page').then((place) => place.LogPage) },
  {
    path: 'register/outbox',
    title: 'Outbox · Gold Peg',
    loadComponent: () => import('./register/outbox-page').then((place) => place.OutboxPage),
  },
  {
    path: 'register/files',
    title: 'In and out · Gold Peg',
    loadComponent: () => import('./register/register-files').then((place) => place.RegisterFiles),
  },
  { path: 'card/:id', title: 'Card · Gold Peg', loadComponent: () => import('./register/card-page').then((place) => place.CardPage) },
  { path: 'p/:number', title: 'Passport · Gold Peg', loadComponent: () => import('./register/by-number').then((place) => place.ByNumber) },
  {
    path: 'register/:id/build',
    title: 'What it is · Gold Peg',
    loadComponent: () => import('./register/build-page').then((place) => place.BuildPage),
  },
  {
    path: 'register/:id',
    title: 'Passport · Gold Peg',
    loadComponent: () => import('./register/passport').then((place) => place.PassportPage),
  },
  { path: 'strings', pathMatch: 'full', redirectTo: 'strings/workbench' },
  {
    path: 'strings/:view',
    title: 'Strings · Gold Peg',
    loadComponent: () => import('./strings/strings-place').then((place) => place.StringsPlace),
  },
  {
    path: 'balance',
    title: 'Balance · Gold Peg',
    loadComponent: () => import('./balance/balance-place').then((place) => place.BalancePlace),
  },
  {
    path: 'worksheet',
    title: 'Worksheet · Gold Peg',
    loadComponent: () => import('./worksheet/no-worksheet').then((place) => place.NoWorksheet),
  },
  {
    matcher: worksheetUrl,
    title: 'Worksheet · Gold Peg',
    loadComponent: () => import('./worksheet/worksheet').then((place) => place.WorksheetPlace),
  },
  {
    path: 'practice',
    title: 'Practice · Gold Peg',
    loadComponent: () => import('./practice/practice-place').then((place) => place.PracticePlace),
  },
  {
    path: 'practice/bench',
    title: 'Simulated bench · Gold Peg',
    loadComponent: () => import('./practice/bench').then((place) => place.BenchPlace),
  },
  {
    path: 'practice/errors',
    title: 'Your errors · Gold Peg',
    loadComponent: () => import('./practice/errors-place').then((place) => place.ErrorsPlace),
  },
  {
    path: 'practice/sheets',
    title: 'Exercise sheets · Gold Peg',
    loadComponent: () => import('./practice/sheets').then((place) => place.SheetsPlace),
  },
  { path: 'house', title: 'House · Gold Peg', loadComponent: () => import('./house/house-place').then((place) => place.HousePlace) },
  {
    path: 'set-aside',
    title: 'Set aside · Gold Peg',
    loadComponent: () => import('./set-aside/set-aside').then((place) => place.SetAside),
  },
  { path: '**', title: 'Gold Peg', loadComponent: () => import('./frame/no-such-page').then((place) => place.NoSuchPage) },
];
