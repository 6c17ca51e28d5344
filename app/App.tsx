import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, Suspense, useEffect, type ComponentType } from 'react'
import { BrowserRouter, Navigate, Route, Routes, useLocation, useParams } from 'react-router'
import { ShelfScreen } from './screens/shelf/ShelfScreen.tsx'
import { queryClient } from './store/liveQueries.ts'
import { useFirstPieceId, useSettings } from './store/queries.ts'
import { ErrorBoundary } from './ui/ErrorBoundary.tsx'
import { DeviceLook } from './ui/DeviceLook.tsx'
import { Opening } from './ui/Opening.tsx'
import { NewVersionNotice } from './ui/NewVersionNotice.tsx'
import { Toaster } from './ui/toasts.tsx'

/** Where the application is opened: what is shown there is on its way before anything is drawn. */
const OPENED_AT = location.pathname.split('/').at(-1)

/** A screen that is loaded when it is first shown, or at once where the application is opened at it. */
function screen<P>(place: string, load: () => Promise<ComponentType<P>>) {
  const loading = place === OPENED_AT ? load() : undefined
  return lazy(async () => ({ default: await (loading ?? load()) }))
}

/** A screen that may ask for plans at once comes with what makes them; the shelf has it done by the worker. */
async function withPlans<M>(screen: Promise<M>): Promise<M> {
  const [loaded] = await Promise.all([screen, import('./store/planHere.ts')])
  return loaded
}

const PlanScreen = screen(
  'plan',
  async () => (await withPlans(import('./screens/plan/PlanScreen.tsx'))).PlanScreen,
)
const WorkScreen = screen(
  'work',
  async () => (await withPlans(import('./screens/work/WorkScreen.tsx'))).WorkScreen,
)
const CheckScreen = screen(
  'check',
  async () => (await withPlans(import('./screens/check/CheckScreen.tsx'))).CheckScreen,
)
const CreateScreen = screen(
  'new',
  async () => (await withPlans(import('./screens/create/CreateScreen.tsx'))).CreateScreen,
)
const CombinationScreen = screen(
  'together',
  async () => (await import('./screens/create/CombinationScreen.tsx')).CombinationScreen,
)
const NewTextScreen = screen(
  'text',
  async () => (await import('./screens/text/TextScreen.tsx')).NewTextScreen,
)
const TextScreen = screen('text', async () => (await import('./screens/text/TextScreen.tsx')).TextScreen)
const GaugesScreen = screen(
  'gauges',
  async () => (await withPlans(import('./screens/gauges/GaugesScreen.tsx'))).GaugesScreen,
)
const YarnsScreen = screen(
  'yarns',
  async () => (await withPlans(import('./screens/yarns/YarnsScreen.tsx'))).YarnsScreen,
)
const CarryScreen = screen(
  'carry',
  async () => (await withPlans(import('./screens/carry/CarryScreen.tsx'))).CarryScreen,
)
const LogScreen = screen(
  'log',
  async () => (await withPlans(import('./screens/log/LogScreen.tsx'))).LogScreen,
)
const MeasureScreen = screen(
  'measure',
  async () => (await withPlans(import('./screens/measure/MeasureScreen.tsx'))).MeasureScreen,
)
const SheetScreen = screen(
  'sheet',
  async () => (await withPlans(import('./screens/measure/SheetScreen.tsx'))).SheetScreen,
)
const BlockScreen = screen('block', async () => (await import('./screens/sheet/BlockScreen.tsx')).BlockScreen)
const SeamScreen = screen('seam', async () => (await import('./screens/pieces/SeamScreen.tsx')).SeamScreen)
const PieceSheetScreen = screen(
  'sheet',
  async () => (await withPlans(import('./screens/sheet/PieceSheetScreen.tsx'))).PieceSheetScreen,
)
const PiecesScreen = screen(
  'pieces',
  async () => (await withPlans(import('./screens/pieces/PiecesScreen.tsx'))).PiecesScreen,
)
const SettingsScreen = screen(
  'settings',
  async () => (await withPlans(import('./screens/settings/SettingsScreen.tsx'))).SettingsScreen,
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
