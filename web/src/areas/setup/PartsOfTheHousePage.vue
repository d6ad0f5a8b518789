<script setup lang="ts">
import { ElMessage, ElMessageBox } from 'element-plus'
import { ref } from 'vue'
import DayPicker from '../../shared/controls/DayPicker.vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import KeyButton from '../../shared/controls/KeyButton.vue'
import { useScheme } from '../../shared/use-scheme.ts'

/** Every control of the staff's interface in every state, to be looked at in each scheme. Only where the screens are made. */
const { scheme } = useScheme()
const text = ref('Eyepiece 25 mm')
const figure = ref<number | null>(12.5)
const day = ref<string | null>('2026-12-13')
const hour = ref('17:00')
const chosen = ref('bench')
const ticked = ref(true)
const tab = ref('one')
const opens = ref(false)
const slides = ref(false)
const lines = [
  { part: 'Front cap', count: 1, mass: '86 g' },
  { part: 'Eyepiece end caps', count: 4, mass: '4 g' },
]
const places = ['shelf', 'bench', 'desk'] as const
</script>

<template>
  <main class="page">
    <h1>Parts of the house</h1>
    <ElRadioGroup v-model="scheme" aria-label="scheme">
      <ElRadioButton value="paper">paper</ElRadioButton>
      <ElRadioButton value="ember">ember</ElRadioButton>
    </ElRadioGroup>

    <h2 class="mt-26px">Buttons</h2>
    <p class="row flex flex-wrap gap-12px items-center">
      <ElButton>Look again</ElButton>
      <ElButton type="primary">Make the link</ElButton>
      <ElButton disabled>Not now</ElButton>
      <ElButton type="primary" disabled>Not now</ElButton>
      <ElButton size="small">Found</ElButton>
      <ElButton size="large">Put right: look again</ElButton>
      <KeyButton hint="Enter" main>Next station</KeyButton>
      <KeyButton hint="u">Undo</KeyButton>
      <span>a sentence with <ElButton link>a way on</ElButton> in it</span>
    </p>

    <h2 class="mt-26px">Fields</h2>
    <div class="grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-y-12px gap-x-18px items-end">
      <label class="labelled"><span>text</span><ElInput v-model="text" /></label>
      <label class="labelled"><span>nothing yet</span><ElInput placeholder="what was done" /></label>
      <label class="labelled"><span>not to be changed</span><ElInput v-model="text" disabled /></label>
      <label class="labelled"><span>figure</span><FigureInput v-model="figure" label="figure" unit="mm" /></label>
      <label class="labelled"><span>day</span><DayPicker v-model="day" aria-label="day" clearable /></label>
      <label class="labelled"
        ><span>hour</span><ElTimeSelect v-model="hour" start="09:00" step="00:30" end="21:00"
      /></label>
      <label class="labelled"
        ><span>one of many</span
        ><ElSelect v-model="chosen" aria-label="place"
          ><ElOption v-for="place in places" :key="place" :value="place" :label="place" /></ElSelect
      ></label>
      <label class="labelled"><span>longer words</span><ElInput v-model="text" type="textarea" :rows="3" /></label>
    </div>

    <h2 class="mt-26px">Choices</h2>
    <p class="row flex flex-wrap gap-12px items-center">
      <ElCheckbox v-model="ticked">none may be lent until it has been checked</ElCheckbox>
      <ElCheckbox :model-value="false" disabled>not here</ElCheckbox>
      <ElSwitch v-model="ticked" aria-label="on" />
      <ElRadioGroup v-model="chosen" aria-label="place">
        <ElRadio v-for="place in places" :key="place" :value="place">{{ place }}</ElRadio>
      </ElRadioGroup>
      <ElRadioGroup v-model="chosen" aria-label="place, as a row">
        <ElRadioButton v-for="place in places" :key="place" :value="place">{{ place }}</ElRadioButton>
      </ElRadioGroup>
    </p>

    <h2 class="mt-26px">Tables, tabs, steps</h2>
    <ElTable :data="lines">
      <ElTableColumn prop="part" label="part" />
      <ElTableColumn prop="count" label="count" width="120" align="right" />
      <ElTableColumn prop="mass" label="one weighs" width="160" align="right" />
    </ElTable>
    <ElTabs v-model="tab">
      <ElTabPane label="Out and back" name="one">Four kits are out.</ElTabPane>
      <ElTabPane label="Letters" name="two">None waits.</ElTabPane>
    </ElTabs>
    <ElSteps :active="1" finish-status="success">
      <ElStep title="Glass" />
      <ElStep title="Assembly" />
      <ElStep title="Balance" />
    </ElSteps>

    <h2 class="mt-26px">What is said</h2>
    <p class="row flex flex-wrap gap-12px items-center">
      <ElButton @click="ElMessage({ message: 'Marked as missing.', type: 'info' })">A message</ElButton>
      <ElButton @click="void ElMessageBox.confirm('Hand a promised kit to somebody else?').catch(() => undefined)"
        >A question</ElButton
      >
      <ElButton @click="opens = true">A dialog</ElButton>
      <ElButton @click="slides = true">A drawer</ElButton>
      <ElTooltip content="the line that light takes to the eye"
        ><span class="[border-bottom:2px_dotted_var(--night)]">optical axis</span></ElTooltip
      >
      <ElTag>shared</ElTag>
    </p>
    <ElAlert title="The kit was changed meanwhile." type="warning" :closable="false" />
    <ElProgress :percentage="62" />
    <ElEmpty description="No kit waits at the bench." :image-size="60" />
    <ElPagination layout="prev, pager, next" :total="60" />
    <ElDialog v-model="opens" title="A dialog">What is asked stands here.</ElDialog>
    <ElDrawer v-model="slides" title="A drawer">What is shown besides stands here.</ElDrawer>
  </main>
</template>
