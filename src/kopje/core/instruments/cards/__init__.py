"""Cards of instruments: how they sound, how they are laid, what is asked with them."""
