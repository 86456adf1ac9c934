import { defineAsyncComponent, defineComponent, h, type Component } from 'vue';

/** A sheet whose code comes when it is first opened, and that stays from then on. It opens by its prop `show`. */
export function lazySheet<C extends Component>(load: () => Promise<{ default: C }>): C {
  const Inner = defineAsyncComponent(load as () => Promise<{ default: Component }>);
  return defineComponent({
    inheritAttrs: false,
    setup(_, { attrs, slots }) {
      let opened = false;
      return () => {
        opened ||= Boolean(attrs.show);
        return opened ? h(Inner, attrs, slots) : null;
      };
    },
  }) as unknown as C;
}
