import { compileScript, parse } from '@vue/compiler-sfc'
import { compileTs } from './compile-ts.cjs'

/** Compiles a component for Jest: script and template in one module, its styles left out. */
export default {
  process(source, path) {
    const { descriptor, errors } = parse(source, { filename: path })
    if (errors.length > 0) throw errors[0]
    const { content } = compileScript(descriptor, { id: path, inlineTemplate: true })
    return compileTs(content, path, true)
  },
}
