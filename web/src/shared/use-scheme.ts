import { onScopeDispose, ref, watch } from 'vue'

export type Scheme = 'paper' | 'ember'
const KEY = 'binoculum scheme'

/** Paper by day, ember in the dark; kept on this device. */
export function useScheme() {
  const scheme = ref<Scheme>(localStorage.getItem(KEY) === 'ember' ? 'ember' : 'paper')
  watch(
    scheme,
    (chosen) => {
      if (chosen === 'ember') document.documentElement.dataset.scheme = 'ember'
      else delete document.documentElement.dataset.scheme
      localStorage.setItem(KEY, chosen)
    },
    { immediate: true },
  )
  // Pages without a dark sheet of their own stay as they are.
  onScopeDispose(() => delete document.documentElement.dataset.scheme)
  const toggle = () => (scheme.value = scheme.value === 'ember' ? 'paper' : 'ember')
  return { scheme, toggle }
}
