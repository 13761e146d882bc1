"""Seeds for planting: what there is, how it germinates, how thick to sow."""
