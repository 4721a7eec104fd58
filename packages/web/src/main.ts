import { createPinia } from "pinia";
import { createApp } from "vue";
import App from "./App.vue";
import { router } from "./router.js";
import { catchFaults } from "./ui/faults.js";
import "./styles/base.css";

const app = createApp(App).use(createPinia()).use(router);
catchFaults(app);
app.mount("#app");

/** When the page rests, what is offered after a deletion is fetched: it is at hand then, even should the server be away. */
const RESTS_MS = 4_000;
setTimeout(() => {
  import("./ui/undo-message.js").catch((away: Error) => console.warn(away.message));
}, RESTS_MS);
