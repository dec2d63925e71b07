/** The solid kernel loaded for tests in Node. */
import Module from 'manifold-3d'
import type { SolidKernel } from '../geometry'

let loading: Promise<SolidKernel> | null = null
export function testKernel(): Promise<SolidKernel> {
  loading ??= Module().then(module => {
    module.setup()
    return module
  })
  return loading
}
