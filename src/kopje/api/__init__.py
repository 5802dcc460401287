"""HTTP: translate, call one use case, translate back."""
