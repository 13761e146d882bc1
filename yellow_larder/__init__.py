"""Yellow Larder: plans, packs, counts and keeps a home store of dry food."""
