<script setup lang="ts">
import type { UploadFile } from 'element-plus'
import { useTemplateRef } from 'vue'
import SignIcon from './SignIcon.vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('fileButton')

/** A button that asks for a file. The library's field is the button itself: a second one inside it would be no help to
 * whoever listens instead of looking. */
const {
  accept,
  disabled = false,
  busy = false,
  camera = false,
  link = false,
  name = 'file',
} = defineProps<{
  accept: string
  disabled?: boolean
  busy?: boolean
  /** A phone opens its camera at once. */
  camera?: boolean
  link?: boolean
  name?: string
}>()
const emit = defineEmits<{ take: [file: File] }>()
/** A key of the page opens it as a press does. */
const root = useTemplateRef('root')
defineExpose({ pick: () => root.value?.querySelector('input')?.click() })
const take = ({ raw }: UploadFile) => raw && emit('take', raw)
</script>

<template>
  <div ref="root">
    <ElUpload
      :name="name"
      :auto-upload="false"
      :show-file-list="false"
      :accept="accept"
      :disabled="disabled || busy"
      v-bind="camera ? { capture: 'environment' } : {}"
      :on-change="take"
    >
      <span
        :class="[
          'el-button',
          link ? 'is-link el-button--primary' : 'el-button--default',
          { 'is-disabled': disabled || busy },
        ]"
      >
        <span
          >{{ busy ? t('oneMoment') : ''
          }}<template v-if="!busy"><SignIcon v-if="camera" name="camera" /><slot /></template
        ></span>
      </span>
    </ElUpload>
  </div>
</template>
