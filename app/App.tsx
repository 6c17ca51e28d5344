import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, Suspense, useEffect, type ComponentType } from 'react'
import { BrowserRouter, Navigate, Route, Routes, matchPath, useLocation, useParams } from 'react-router'
import { ShelfScreen } from './screens/shelf/ShelfScreen.tsx'
import { queryClient } from './store/liveQueries.ts'
import { useFirstPieceId, useSettings } from './store/queries.ts'
import { ErrorBoundary } from './ui/ErrorBoundary.tsx'
import { DeviceLook } from './ui/DeviceLook.tsx'
import { Opening } from './ui/Opening.tsx'
import { NewVersionNotice } from './ui/NewVersionNotice.tsx'
import { Toaster } from './ui/toasts.tsx'

const PIECE = '/project/:projectId/piece/:pieceId'

/** A screen that is loaded when it is first shown, or at once where the application is opened at it. */
function screen(at: string, load: () => Promise<ComponentType>) {
  const loading = matchPath(at, location.pathname) ? load() : undefined
  const Screen = lazy(async () => ({ default: await (loading ?? load()) }))
  return <Route key={at} path={at} element={<Screen />} />
}

/** A screen that may ask for plans at once comes with what makes them; the shelf has it done by the worker. */
const planning = (at: string, load: () => Promise<ComponentType>) =>
  screen(at, async () => (await Promise.all([load(), import('./store/planHere.ts')]))[0])

/** Every screen but the shelf by its address, which the server knows it by as well. */
const SCREENS = [
  planning('/new', async () => (await import('./screens/create/CreateScreen.tsx')).CreateScreen),
  screen('/new/text', async () => (await import('./screens/text/TextScreen.tsx')).NewTextScreen),
  screen(
    '/new/together',
    async () => (await import('./screens/create/CombinationScreen.tsx')).CombinationScreen,
  ),
  screen(`${PIECE}/text`, async () => (await import('./screens/text/TextScreen.tsx')).TextScreen),
  planning(`${PIECE}/plan`, async () => (await import('./screens/plan/PlanScreen.tsx')).PlanScreen),
  planning(`${PIECE}/work`, async () => (await import('./screens/work/WorkScreen.tsx')).WorkScreen),
  planning(`${PIECE}/check`, async () => (await import('./screens/check/CheckScreen.tsx')).CheckScreen),
  planning(
    `${PIECE}/sheet`,
    async () => (await import('./screens/sheet/PieceSheetScreen.tsx')).PieceSheetScreen,
  ),
  screen(`${PIECE}/block`, async () => (await import('./screens/sheet/BlockScreen.tsx')).BlockScreen),
  screen(
    '/project/:projectId/seam/:jointId',
    async () => (await import('./screens/pieces/SeamScreen.tsx')).SeamScreen,
  ),
  planning(
    '/project/:projectId/pieces',
    async () => (await import('./screens/pieces/PiecesScreen.tsx')).PiecesScreen,
  ),
  planning('/gauges/:gaugeId?', async () => (await import('./screens/gauges/GaugesScreen.tsx')).GaugesScreen),
  planning('/yarns', async () => (await import('./screens/yarns/YarnsScreen.tsx')).YarnsScreen),
  planning('/log', async () => (await import('./screens/log/LogScreen.tsx')).LogScreen),
  planning('/carry', async () => (await import('./screens/carry/CarryScreen.tsx')).CarryScreen),
  planning('/measure', async () => (await import('./screens/measure/MeasureScreen.tsx')).MeasureScreen),
  planning('/sheet', async () => (await import('./screens/measure/SheetScreen.tsx')).SheetScreen),
  planning('/settings', async () => (await import('./screens/settings/SettingsScreen.tsx')).SettingsScreen),
]

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <BrowserRouter>
        <PrintSize />
        <DeviceLook />
        <NewVersionNotice />
        <Screens />
        <Toaster />
      </BrowserRouter>
    </QueryClientProvider>
  )
}

/** One of them fails alone: another place is shown all the same. */
function Screens() {
  const { pathname } = useLocation()
  return (
    <ErrorBoundary place={pathname}>
      <Suspense fallback={<p className="p-7 text-18">Opening…</p>}>
        <Routes>
          <Route path="/" element={<ShelfScreen />} />
          {SCREENS}
          <Route path="/project/:projectId/:place?" element={<ToFirstPiece />} />
          <Route path={PIECE} element={<ToPlan />} />
          <Route path="/piece/:projectId/:place?" element={<ToFirstPiece />} />
          <Route path="*" element={<Navigate to="/" replace />} />
        </Routes>
      </Suspense>
    </ErrorBoundary>
  )
}

function ToPlan() {
  const { projectId, pieceId } = useParams()
  return <Navigate to={`/project/${projectId}/piece/${pieceId}/plan`} replace />
}

/** An address that names only a project, as all did once, leads to its first piece. */
function ToFirstPiece() {
  const { projectId, place = 'plan' } = useParams()
  const { search } = useLocation()
  const first = useFirstPieceId(projectId)
  if (first === undefined) return <Opening />
  return <Navigate to={`/project/${projectId}/piece/${first ?? 'none'}/${place}${search}`} replace />
}

/** One control sets the print size of everything. */
function PrintSize() {
  const { print } = useSettings()
  useEffect(() => {
    document.documentElement.dataset['print'] = String(print)
  }, [print])
  return null
}
