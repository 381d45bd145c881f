import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/desk' },
    { path: '/sign-in', name: 'sign-in', component: () => import('./agency/SignInPage.vue'), meta: { bare: true, title: 'Sign in' } },
    { path: '/desk', name: 'desk', component: () => import('./agency/DeskPage.vue'), meta: { title: 'Desk' } },
    { path: '/posts', name: 'posts', component: () => import('./posts/PostListPage.vue'), meta: { title: 'Posts' } },
    { path: '/w/:workspace/posts/:post', name: 'post', component: () => import('./posts/PostSheetPage.vue'), props: true, meta: { title: 'Post' } },
    { path: '/dispatch', name: 'dispatch', component: () => import('./dispatch/DispatchPage.vue'), meta: { title: 'Dispatch' } },
    { path: '/:rest(.*)', component: () => import('./agency/NowherePage.vue'), meta: { title: 'Not here' } },
  ],
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? '')} · Ask First`
})
