import { describe, expect, it } from 'vitest'
import { createApp, nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useInAddress } from './address'

async function at(address: string) {
  const nothing = { render: () => null }
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/posts', name: 'posts', component: nothing },
      { path: '/post', name: 'post', component: nothing },
    ],
  })
  await router.push(address)
  const app = createApp(nothing).use(router)
  return { router, stage: app.runWithContext(() => useInAddress('stage')) }
}

async function settled() {
  await nextTick()
  await new Promise((done) => setTimeout(done))
}

describe('what a list is narrowed to', () => {
  it('is read from the address, so that it can be sent on', async () => {
    expect((await at('/posts?stage=out')).stage.value).toBe('out')
    expect((await at('/posts')).stage.value).toBe('')
  })

  it('goes into the address beside what stands there, and out of it again', async () => {
    const { router, stage } = await at('/posts?client=1')
    stage.value = 'out'
    await settled()
    expect(router.currentRoute.value.query).toEqual({ client: '1', stage: 'out' })
    stage.value = ''
    await settled()
    expect(router.currentRoute.value.query).toEqual({ client: '1' })
  })

  it('follows the address, as by the way back', async () => {
    const { router, stage } = await at('/posts?stage=out')
    await router.push('/posts?stage=held')
    await settled()
    expect(stage.value).toBe('held')
  })

  it('stands while its page is being left, so that nothing is asked for anew', async () => {
    const { router, stage } = await at('/posts?stage=out')
    await router.push('/post')
    await settled()
    expect(stage.value).toBe('out')
    stage.value = 'held'
    await settled()
    expect(router.currentRoute.value.fullPath).toBe('/post')
  })
})
