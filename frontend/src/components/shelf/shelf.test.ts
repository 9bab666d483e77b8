// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { reactive } from 'vue'
import { describe, expect, it } from 'vitest'
import LibraryChanges from './LibraryChanges.vue'
import OwnFiles from './OwnFiles.vue'
import HazardAsks from './HazardAsks.vue'
import OwnIssues from './OwnIssues.vue'
import TaskForm from './TaskForm.vue'
import { answers, button, shown } from '@/testing/mounted'

const issue = { at: 'name', reason: 'This is empty.', remedy: 'Write a few words.' }

describe('what is wrong', () => {
  it('is counted and said, with what to do', () => {
    const one = shown(OwnIssues, {
      looked: { issues: [issue], questions: [], advice: [], activity: null, thing: null },
    })
    expect(one.text()).toContain('1 thing to fix before sharing')
    expect(one.text()).toContain('This is empty. Write a few words.')
  })
  it('is said to be nothing where nothing is', () => {
    const none = shown(OwnIssues, { looked: { issues: [], questions: [], advice: [], activity: null, thing: null } })
    expect(none.text()).toContain('Ready to share')
  })
})

describe('a wanted task', () => {
  const values = () =>
    reactive({
      name: 'Water the plants',
      steps: [
        { words: 'fill the can', demands: { hold: 2 } },
        { words: 'tip it', demands: {} },
      ],
      at_home: '',
    })
  it('has its steps put in another order, added and taken out', async () => {
    answers({ 'GET /api/words': { strands: [{ id: 'hold', name: 'Sustained grip', rungs: [] }] } })
    const task = values()
    const form = shown(TaskForm, { modelValue: task, at: () => '' })
    await flushPromises()
    await button(form, 'Step 1 later').trigger('click')
    expect(task.steps.map((s) => s.words)).toEqual(['tip it', 'fill the can'])
    await button(form, 'Add a step').trigger('click')
    expect(task.steps).toHaveLength(3)
    await button(form, 'Remove step 3').trigger('click')
    expect(task.steps).toHaveLength(2)
    await button(form, 'Remove: step 2 takes sustained grip').trigger('click')
    expect(task.steps[1]!.demands).toEqual({})
  })
  it('says at a step what is wrong with it', () => {
    answers({ 'GET /api/words': { strands: [] } })
    const form = shown(TaskForm, { modelValue: values(), at: (p: string) => (p === 'steps.1' ? 'This is empty.' : '') })
    expect(form.get('[role=alert]').text()).toBe('This is empty.')
  })
})

describe('a change of the library', () => {
  it('shows the three states and takes the library’s on a press', async () => {
    const changes = [{ field: 'say', was: 'Pinch.', now: 'Thumb and two.', yours: 'Crocodile!' }]
    const page = shown(LibraryChanges, { changes })
    for (const words of ['Pinch.', 'Thumb and two.', 'Crocodile!']) expect(page.text()).toContain(words)
    await button(page, 'Take the library’s').trigger('click')
    expect(page.emitted('take')).toEqual([['say', 'Thumb and two.']])
  })
})

describe('a file', () => {
  const put = async (page: ReturnType<typeof shown>, text: string): Promise<void> => {
    const input = page.get('input[type=file]')
    Object.defineProperty(input.element, 'files', { value: [new File([text], 'own.json')], configurable: true })
    await input.trigger('change')
    await flushPromises()
    await flushPromises()
  }
  it('is imported, and what was refused is named', async () => {
    const taken = { begun: [{ id: 1 }], known: ['Plop'], refused: [{ name: 'Broken', issues: [issue] }] }
    const calls = answers({ 'POST /api/own-file': taken })
    const page = shown(OwnFiles, { entries: [] })
    await put(page, '{"format": "pollicor own library 1", "entries": []}')
    expect(calls[0]?.body).toEqual({ file: { format: 'pollicor own library 1', entries: [] } })
    expect(page.text()).toContain('1 imported as a draft, 1 already here, 1 refused')
    expect(page.text()).toContain('Broken')
  })
  it('that is not JSON is refused with the reason, and nothing is sent', async () => {
    const calls = answers({})
    const page = shown(OwnFiles, { entries: [] })
    await put(page, 'not json')
    expect(page.get('[role=alert]').text()).toContain('own.json is not JSON')
    expect(calls).toEqual([])
  })
})

describe('what an entry’s words ask', () => {
  const hazards = [{ id: 'magnet', name: 'a strong magnet' }]
  const question = {
    at: 'name',
    hazard: 'magnet',
    word: 'magnetic',
    reason: '“magnetic”: is it a strong magnet?',
    remedy: '',
  }
  const looked = { issues: [], questions: [question], advice: [], activity: null, thing: null }

  it('is answered with yes or no, and shown with who said it', async () => {
    const asks = shown(HazardAsks, { looked, kept: {}, hazards, may: true, modelValue: {} })
    await button(asks, 'No').trigger('click')
    expect(asks.emitted('update:modelValue')).toEqual([[{ magnet: { yes: false } }]])
    const answered = { magnet: { yes: false, by: 'Maren', on: '2026-03-02' } }
    const none = { ...looked, questions: [] }
    const after = shown(HazardAsks, {
      looked: none,
      kept: { answers: answered },
      hazards,
      may: true,
      modelValue: answered,
    })
    expect(after.text()).toContain('Is it a strong magnet? No, said Maren.')
    await button(after, 'ask again').trigger('click')
    expect(after.emitted('update:modelValue')).toEqual([[{}]])
  })
})
