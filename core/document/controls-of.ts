/** Controls by the surface that they hang on. */
import type { Control, ProjectFile, SurfaceName } from './schema'

export const controlsOf = (
  { wing, tail }: Pick<ProjectFile, 'wing' | 'tail'>,
  name: SurfaceName,
): readonly Control[] => (name === 'wing' ? wing.controls : (tail[name]?.controls ?? []))
