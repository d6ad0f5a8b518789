<script setup lang="ts">
import { Editor } from '@tiptap/core'
import { blockTags, tagWords } from '@binoculum/core'
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import SignIcon from '../../shared/controls/SignIcon.vue'
import { toDocument, toText } from './block-document.ts'
import { linesExtensions, tagsHere, type KitWords } from './lines-editor.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('linesEditor')

/** Lines of a block under a hand. Dotted words come from the kit; a line may hang on what the case holds. */
const text = defineModel<string>({ required: true })
const { kit, label, disabled } = defineProps<{ kit: KitWords; label: string; disabled: boolean }>()
const room = useTemplateRef<HTMLElement>('room')
const editor = shallowRef<Editor | null>(null)
const here = shallowRef<readonly string[]>([])

onMounted(() => {
  const made: Editor = new Editor({
    element: room.value,
    // Its styles stand below: the page's policy takes none from scripts.
    injectCSS: false,
    extensions: linesExtensions(() => kit),
    content: toDocument(text.value),
    editable: !disabled,
    editorProps: {
      attributes: {
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': label,
        spellcheck: 'true',
        class: 'lines',
      },
    },
    onUpdate: () => (text.value = toText(made.getJSON())),
    onTransaction: () => (here.value = tagsHere(made)),
    // Braces typed in the middle of a line become the kit's words too.
    onBlur: () => setText(toText(made.getJSON())),
  })
  editor.value = made
})
onBeforeUnmount(() => editor.value?.destroy())
function setText(wanted: string) {
  const now = editor.value
  const document = toDocument(wanted)
  if (now && JSON.stringify(now.getJSON().content) !== JSON.stringify(document.content))
    now.commands.setContent(document, { emitUpdate: false })
}
watch(text, (wanted) => {
  if (editor.value && toText(editor.value.getJSON()) !== wanted) setText(wanted)
})
watch(
  () => disabled,
  (off) => editor.value?.setEditable(!off),
)

const insert = (name: string) =>
  editor.value?.chain().focus().insertContent({ type: 'kitWord', attrs: { name } }).run()
const setTags = (tags: readonly string[]) =>
  editor.value
    ?.chain()
    .focus()
    .updateAttributes('paragraph', { tags: [...new Set(tags)] })
    .run()
const choices = computed(() =>
  blockTags
    .flatMap((tag) => [tag, `!${tag}`])
    .filter((tag) => !here.value.includes(tag))
    .map((tag) => ({ tag, words: tagWords(tag) }))
    .sort((a, b) => a.words.localeCompare(b.words)),
)
</script>

<template>
  <div>
    <div ref="room" class="room"></div>
    <p v-if="!disabled" class="flex flex-wrap gap-y-4px gap-x-8px items-center mx-0 mt-8px mb-2px">
      <span class="quiet">{{ t('thisLineIsSaid') }}</span>
      <template v-if="here.length === 0"> {{ ' ' }}{{ t('always') }}{{ ' ' }} </template>
      <ElButton
        v-for="tag in here"
        :key="tag"
        size="small"
        :aria-label="t('takeItOff', { tag: tagWords(tag) })"
        @click="setTags(here.filter((each) => each !== tag))"
      >
        {{ tagWords(tag) }} <SignIcon name="remove" />
      </ElButton>
      <ElSelect
        model-value=""
        class="w-190px"
        filterable
        :placeholder="here.length === 0 ? t('only') : t('andOnly')"
        :aria-label="t('sayThisLineOnly')"
        @update:model-value="setTags([...here, $event])"
      >
        <ElOption v-for="{ tag, words } in choices" :key="tag" :value="tag" :label="words" />
      </ElSelect>
    </p>
    <details v-if="!disabled">
      <summary>{{ t('fromTheKitWordsTo', { variables: Object.keys(kit.variables).length }) }}</summary>
      <p class="flex flex-wrap gap-y-4px gap-x-12px">
        <ElButton
          v-for="(value, name) in kit.variables"
          :key="name"
          link
          class="fw-400"
          :title="value"
          @click="insert(String(name))"
        >
          <span class="kit-word">{{ value }}</span> <span class="quiet">{{ name }}</span>
        </ElButton>
      </p>
      <p class="second">{{ t('orTypeANameIn') }}</p>
    </details>
  </div>
</template>

<style scoped>
.room :deep(.lines) {
  min-height: 108px;
  border-block: 1px solid var(--rule-strong);
  outline: none;
  line-height: 27px;
  white-space: pre-wrap;
  overflow-wrap: break-word;
}

.room :deep(.lines:focus-visible) {
  box-shadow: 0 2px 0 var(--night);
}

.room :deep(p) {
  padding: 0 2px;
  background: linear-gradient(to bottom, transparent 26px, var(--rule) 26px) 0 0 / 100% 27px;
}

.room :deep(p[data-when])::before {
  content: attr(data-when);
  display: block;
  color: var(--brass-text);
  font: italic 400 15px/27px var(--serif);
}

.room :deep(p.left-out) {
  color: var(--quiet);
}

.kit-word,
.room :deep(.kit-word) {
  border-bottom: 2px dotted var(--brass);
  color: var(--night);
}

.room :deep(.kit-word.lacking) {
  border-bottom-color: var(--quiet);
  color: var(--quiet);
  font-style: italic;
}

.room :deep(.kit-word.unknown) {
  border-bottom: 2px solid var(--rust);
  color: var(--rust);
}

.room :deep(.kit-word.ProseMirror-selectednode) {
  background: var(--wash);
}
</style>
