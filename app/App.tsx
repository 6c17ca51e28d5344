import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, Suspense, useEffect } from 'react'
import { BrowserRouter, Navigate, Route, Routes, useLocation, useParams } from 'react-router'
import { ShelfScreen } from './screens/shelf/ShelfScreen.tsx'
import { queryClient } from './store/liveQueries.ts'
import { useFirstPieceId, useSettings } from './store/queries.ts'
import { ErrorBoundary } from './ui/ErrorBoundary.tsx'
import { DeviceLook } from './ui/DeviceLook.tsx'
import { Opening } from './ui/Opening.tsx'
import { NewVersionNotice } from './ui/NewVersionNotice.tsx'
import { Toaster } from './ui/toasts.tsx'

/** A screen that may ask for plans at once comes with what makes them; the shelf has it done by the worker. */
async function withPlans<M>(screen: Promise<M>): Promise<M> {
  const [loaded] = await Promise.all([screen, import('./store/planHere.ts')])
  return loaded
}

const PlanScreen = lazy(() =>
  withPlans(import('./screens/plan/PlanScreen.tsx')).then((m) => ({ default: m.PlanScreen })),
)
const WorkScreen = lazy(() =>
  withPlans(import('./screens/work/WorkScreen.tsx')).then((m) => ({ default: m.WorkScreen })),
)
const CheckScreen = lazy(() =>
  withPlans(import('./screens/check/CheckScreen.tsx')).then((m) => ({ default: m.CheckScreen })),
)
const CreateScreen = lazy(() =>
  withPlans(import('./screens/create/CreateScreen.tsx')).then((m) => ({ default: m.CreateScreen })),
)
const CombinationScreen = lazy(() =>
  import('./screens/create/CombinationScreen.tsx').then((m) => ({ default: m.CombinationScreen })),
)
const NewTextScreen = lazy(() =>
  import('./screens/text/TextScreen.tsx').then((m) => ({ default: m.NewTextScreen })),
)
const TextScreen = lazy(() =>
  import('./screens/text/TextScreen.tsx').then((m) => ({ default: m.TextScreen })),
)
const GaugesScreen = lazy(() =>
  withPlans(import('./screens/gauges/GaugesScreen.tsx')).then((m) => ({ default: m.GaugesScreen })),
)
const YarnsScreen = lazy(() =>
  withPlans(import('./screens/yarns/YarnsScreen.tsx')).then((m) => ({ default: m.YarnsScreen })),
)
const CarryScreen = lazy(() =>
  withPlans(import('./screens/carry/CarryScreen.tsx')).then((m) => ({ default: m.CarryScreen })),
)
const LogScreen = lazy(() =>
  withPlans(import('./screens/log/LogScreen.tsx')).then((m) => ({ default: m.LogScreen })),
)
const MeasureScreen = lazy(() =>
  withPlans(import('./screens/measure/MeasureScreen.tsx')).then((m) => ({ default: m.MeasureScreen })),
)
const SheetScreen = lazy(() =>
  withPlans(import('./screens/measure/SheetScreen.tsx')).then((m) => ({ default: m.SheetScreen })),
)
const BlockScreen = lazy(() =>
  import('./screens/sheet/BlockScreen.tsx').then((m) => ({ default: m.BlockScreen })),
)
const SeamScreen = lazy(() =>
  import('./screens/pieces/SeamScreen.tsx').then((m) => ({ default: m.SeamScreen })),
)
const PieceSheetScreen = lazy(() =>
  withPlans(import('./screens/sheet/PieceSheetScreen.tsx')).then((m) => ({ default: m.PieceSheetScreen })),
)
const PiecesScreen = lazy(() =>
  withPlans(import('./screens/pieces/PiecesScreen.tsx')).then((m) => ({ default: m.PiecesScreen })),
)
const SettingsScreen = lazy(() =>
  withPlans(import('./screens/settings/SettingsScreen.tsx')).then((m) => ({ default: m.SettingsScreen })),
)

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
          <Route path="/new" element={<CreateScreen />} />
          <Route path="/new/text" element={<NewTextScreen />} />
          <Route path="/new/together" element={<CombinationScreen />} />
          <Route path="/project/:projectId/piece/:pieceId/text" element={<TextScreen />} />
          <Route path="/project/:projectId/piece/:pieceId/plan" element={<PlanScreen />} />
          <Route path="/project/:projectId/piece/:pieceId/work" element={<WorkScreen />} />
          <Route path="/project/:projectId/piece/:pieceId/check" element={<CheckScreen />} />
          <Route path="/project/:projectId/piece/:pieceId/sheet" element={<PieceSheetScreen />} />
          <Route path="/project/:projectId/piece/:pieceId/block" element={<BlockScreen />} />
          <Route path="/project/:projectId/seam/:jointId" element={<SeamScreen />} />
          <Route path="/project/:projectId/pieces" element={<PiecesScreen />} />
          <Route path="/project/:projectId/:place?" element={<ToFirstPiece />} />
          <Route path="/project/:projectId/piece/:pieceId" element={<ToPlan />} />
          <Route path="/piece/:projectId/:place?" element={<ToFirstPiece />} />
          <Route path="/gauges" element={<GaugesScreen />} />
          <Route path="/gauges/:gaugeId" element={<GaugesScreen />} />
          <Route path="/yarns" element={<YarnsScreen />} />
          <Route path="/log" element={<LogScreen />} />
          <Route path="/carry" element={<CarryScreen />} />
          <Route path="/measure" element={<MeasureScreen />} />
          <Route path="/sheet" element={<SheetScreen />} />
          <Route path="/settings" element={<SettingsScreen />} />
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
