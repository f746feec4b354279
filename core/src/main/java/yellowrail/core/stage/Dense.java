package yellowrail.core.stage;

/** A small dense linear system, solved in place with row pivoting. Its arrays are reused: allocation would cost more. */
final class Dense {
    private final double[][] matrix;
    private final int[] order;
    private final double[] scratch;

    Dense(int most) {
        matrix = new double[most][most];
        order = new int[most];
        scratch = new double[most];
    }

    double[][] matrix() {
        return matrix;
    }

    /** Factors the first n rows and columns; false when they are singular. */
    boolean factor(int n) {
        for (int i = 0; i < n; i++) {
            order[i] = i;
        }
        for (int k = 0; k < n; k++) {
            int pivot = k;
            for (int i = k + 1; i < n; i++) {
                if (Math.abs(matrix[i][k]) > Math.abs(matrix[pivot][k])) {
                    pivot = i;
                }
            }
            if (!(Math.abs(matrix[pivot][k]) > 1e-300)) {
                return false;
            }
            double[] row = matrix[k];
            matrix[k] = matrix[pivot];
            matrix[pivot] = row;
            int index = order[k];
            order[k] = order[pivot];
            order[pivot] = index;
            double inverse = 1 / matrix[k][k];
            for (int i = k + 1; i < n; i++) {
                double[] target = matrix[i];
                double factor = target[k] * inverse;
                target[k] = factor;
                if (factor != 0) {
                    for (int j = k + 1; j < n; j++) {
                        target[j] -= factor * matrix[k][j];
                    }
                }
            }
        }
        return true;
    }

    /** Solves for one right-hand side after {@link #factor}; the solution replaces it. */
    void solve(int n, double[] right) {
        for (int i = 0; i < n; i++) {
            double sum = right[order[i]];
            for (int j = 0; j < i; j++) {
                sum -= matrix[i][j] * scratch[j];
            }
            scratch[i] = sum;
        }
        for (int i = n - 1; i >= 0; i--) {
            double sum = scratch[i];
            for (int j = i + 1; j < n; j++) {
                sum -= matrix[i][j] * scratch[j];
            }
            scratch[i] = sum / matrix[i][i];
        }
        System.arraycopy(scratch, 0, right, 0, n);
    }
}
