"""The ledger: what the children have shown, and whom to hear next."""
