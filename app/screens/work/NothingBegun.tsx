import { Link } from 'react-router'
import type { ProjectView } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'

/** Work was opened before anything was begun. */
export function NothingBegun({ view: { project } }: { view: ProjectView }) {
  return (
    <>
      <Header projectId={project.id} />
      <main className="grid justify-items-start gap-4 p-7 max-sm:p-4">
        <h1 className="text-36">{project.name} is not begun</h1>
        <p className="text-18">Look the plan over, then begin round 1 from there.</p>
        <Link to={`/piece/${project.id}/plan`} className="button-ink">
          To the plan
        </Link>
      </main>
    </>
  )
}
