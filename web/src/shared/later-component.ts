import { defineAsyncComponent, type Component } from 'vue'

/** A sheet of styles that didn't come stays broken in the page: it is asked for again. */
function fetchStylesAgain(): void {
  for (const link of document.querySelectorAll<HTMLLinkElement>('link[rel=stylesheet]'))
    if (!link.sheet) link.replaceWith(link.cloneNode())
}

/**
 * A piece of a page that comes after it and that the page can do without. If the line is gone just then, the page stays
 * as it is, nothing is reported, and the piece comes when the line is back.
 *
 * @param load an `import()` of the component
 */
export const laterComponent = <C extends Component>(load: () => Promise<{ default: C }>) =>
  defineAsyncComponent<C>({
    loader: async () => (await load()).default,
    onError: (_, retry) =>
      window.addEventListener(
        'online',
        () => {
          fetchStylesAgain()
          retry()
        },
        { once: true },
      ),
  })
