// A container of one's own while it is typed, and what the larder makes of it.
import { api, ask, asRead, type Schemas, type Wrong } from "$lib/api/client";
import { latest } from "$lib/state/latest";

type Asked = Schemas["AskedContainer"];

export function nothing(): Asked {
  return {
    name: "",
    kind: "jar",
    volume: "",
    full: "",
    empty: "",
    height: "",
    width: "",
    is_square: false,
    material: null,
    lid: null,
    mouth: null,
    wall: "",
    see_through: null,
    held: "nothing: made for food",
  };
}

export class TypedContainer {
  asked = $state<Asked>(nothing());
  read = $state.raw<Schemas["ContainerRead"]>();
  wrong = $state<Wrong>({});
  reread = latest(() => this.#read());

  set(change: Partial<Asked>): void {
    // What a jar is made of says nothing of a pail.
    const another = change.kind && change.kind !== this.asked.kind ? { material: null, lid: null, mouth: null } : {};
    Object.assign(this.asked, another, change);
    void this.reread();
  }

  async #read(): Promise<void> {
    if (!this.asked.volume?.trim() && !(this.asked.full?.trim() && this.asked.empty?.trim())) {
      this.read = undefined;
      this.wrong = {};
      return;
    }
    // It is drawn before it has a name.
    const body = { ...$state.snapshot(this.asked), name: this.asked.name.trim() || "?" };
    const before = this.wrong;
    const { data, wrong } = await ask(api.POST("/api/containers/read", { body }));
    this.wrong = asRead(wrong, before, this.wrong);
    this.read = data;
  }

  async add(): Promise<Schemas["Added"] | undefined> {
    const { data, wrong } = await ask(api.POST("/api/containers", { body: $state.snapshot(this.asked) }));
    this.wrong = wrong ?? {};
    return data;
  }
}
