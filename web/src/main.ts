import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createBootstrap } from 'bootstrap-vue-next'
import { createRouter, createWebHistory } from 'vue-router'
import App from './App.vue'
import ClipsPage from './clips/ClipsPage.vue'
import EditorPage from './editor/EditorPage.vue'
import { startKeeper } from './stores/keeper'
import './style/main.scss'

const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: ClipsPage },
    { path: '/clips/:id', component: EditorPage, props: true },
    { path: '/:rest(.*)', redirect: '/' }
  ]
})

createApp(App).use(createPinia()).use(createBootstrap()).use(router).mount('#app')
window.addEventListener('load', startKeeper)
